import { answered, client, Refusal } from '../api/client';
import type { Quantity, Tool } from '../api/types';

/** What the core made of a typed text: an echo in the field's unit, or what is wrong. */
export interface Heard {
  problem: string;
  echo: string;
}

export async function readBack(
  text: string,
  quantity: Quantity,
  unit: string | null,
  tool: Tool | null = null,
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
