import { answered, client, Refusal } from '../api/client';
import type { Quantity, Tool } from '../api/types';

/** What the core made of a typed text: an echo in the field's unit, or what is wrong. */
export interface Heard {
  problem: string;
  echo: string;
}

const underway = new Set<Promise<Heard>>();

/** Wait until every figure that was typed is in the sheets or refused; the field being typed in is left and entered. */
export async function figuresTaken(): Promise<void> {
  const field = document.activeElement;
  if (field instanceof HTMLInputElement) {
    field.blur();
    field.focus();
  }
  while (underway.size > 0) await Promise.allSettled(underway);
}

/** Ask the core what it makes of a typed text. */
export function readBack(
  text: string,
  quantity: Quantity,
  unit: string | null,
  tool: Tool | null = null,
): Promise<Heard> {
  const answer = asked(text, quantity, unit, tool);
  underway.add(answer);
  const done = () => underway.delete(answer);
  answer.then(done, done);
  return answer;
}

async function asked(
  text: string,
  quantity: Quantity,
  unit: string | null,
  tool: Tool | null,
): Promise<Heard> {
  try {
    const read = await answered(client.POST('/api/measure', { body: { text, quantity, unit, tool } }));
    const inches = read.inch && read.fraction ? ` = ${read.inch} ≈ ${read.fraction}` : '';
    const figure = Number(read.value.toPrecision(7));
    return { problem: '', echo: `= ${figure} ${read.unit}${inches}` };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { problem: error.message, echo: '' };
  }
}
