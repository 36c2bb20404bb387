/** The kinds of survey reading: what they are called, where the jaws go, and how a new one is made. */
import type { AxisReading, PairReading, SurveyReading, Tool } from '../../api/types';

export const KINDS = ['inside', 'outside', 'distance', 'radius', 'x', 'y', 'sweep'] as const;
export type Kind = (typeof KINDS)[number];
export type Edge = AxisReading['edge'];

export const KIND_WORDS: Record<Kind, string> = {
  inside: 'inside',
  outside: 'outside',
  distance: 'centres',
  radius: 'radius',
  x: 'x, square',
  y: 'y, square',
  sweep: 'dial sweep',
};
export const JAWS: Record<Kind, string> = {
  inside: 'jaws inside both holes, nearest edges',
  outside: 'jaws over both holes, farthest edges',
  distance: 'centre to centre',
  radius: 'from the shaft’s centre to the hole’s',
  x: 'along from the square’s upright edge',
  y: 'up from the square’s foot',
  sweep: 'the dial on the shaft, its finger round the bore',
};
export const TOOLS: readonly Tool[] = [
  'caliper',
  'steel rule',
  'tape',
  'combination square',
  'depth gauge',
  'traced card',
];

/** What a new reading goes between, before it has a figure. */
export interface Between {
  kind: Kind;
  a: string;
  b: string;
  frame: string;
  edge: Edge;
}

export const kindOf = (word: string): Kind => KINDS.find((kind) => kind === word) ?? 'inside';
export const isAlongAxis = (kind: Kind): kind is 'x' | 'y' => kind === 'x' || kind === 'y';

/** The reading that a figure makes of what it goes between. A sweep has a form of its own. */
export function readingOf(between: Between, text: string, tool: Tool): SurveyReading | null {
  const { kind, a, b, frame, edge } = between;
  const taken = { left_out: false, why: '', left_out_by: '', reading: { text, tool } };
  if (isAlongAxis(kind)) return { kind, a, frame, edge, ...taken } satisfies AxisReading;
  if (kind === 'sweep') return null;
  return { kind, a, b: kind === 'radius' ? 'C' : b, ...taken } satisfies PairReading;
}
