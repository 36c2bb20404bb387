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
export const TOOLS: readonly (readonly [Tool, string])[] = [
  ['caliper', 'caliper'],
  ['rule', 'steel rule'],
  ['tape', 'tape'],
  ['square', 'combination square'],
  ['micrometer', 'micrometer'],
  ['depth_gauge', 'depth gauge'],
  ['card', 'traced card'],
];
export const toolOf = (word: string): Tool => TOOLS.find(([key]) => key === word)?.[0] ?? 'caliper';
export const toolWords = (tool: Tool) => TOOLS.find(([key]) => key === tool)?.[1] ?? tool;

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

export const edgeOf = (word: string): Edge => (word === 'low' || word === 'high' ? word : 'centre');

/** What a reading goes between after a part of it was chosen anew: never from a hole to itself. */
export function chosen(between: Between, part: Partial<Between>, ids: readonly string[]): Between {
  const wanted = { ...between, ...part };
  const a = wanted.a === 'C' && !isAlongAxis(wanted.kind) ? (ids[0] ?? '') : wanted.a;
  const b = wanted.b === 'C' || wanted.b === a ? (ids.find((id) => id !== a) ?? '') : wanted.b;
  return { ...wanted, a, b: wanted.kind === 'radius' ? 'C' : b };
}

/** The reading that a figure makes of what it goes between. A sweep has a form of its own. */
export function readingOf(between: Between, text: string, tool: Tool): SurveyReading | null {
  const { kind, a, b, frame, edge } = between;
  const taken = { left_out: false, why: '', left_out_by: '', reading: { text, tool } };
  if (isAlongAxis(kind)) return { kind, a, frame, edge, ...taken } satisfies AxisReading;
  if (kind === 'sweep') return null;
  return { kind, a, b: kind === 'radius' ? 'C' : b, ...taken } satisfies PairReading;
}

/** A figure after one more key: `⌫` takes the last character back, a fraction takes the place of the one before. */
export function keyed(text: string, key: string): string {
  if (key === '⌫') return text.slice(0, -1);
  return (key.includes('/') ? `${text.replace(/\s*\d+\/\d*$/, '')} ${key}` : text + key).trimStart();
}
