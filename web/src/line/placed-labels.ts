/** Puts labels under a rule in two rows, so that none covers another. */
export interface PlacedLabel {
  x: number;
  textX: number;
  y: number;
  anchor: 'start' | 'end';
  text: string;
  isLimit: boolean;
}
type Label = Pick<PlacedLabel, 'x' | 'text' | 'isLimit'>;

const ROWS = [32, 44];
const CHAR_PX = 5.6; // of the type that is used, at most on average
const GAP_PX = 8;

export function placedLabels(labels: readonly Label[], width: number): PlacedLabel[] {
  const taken: [number, number][][] = ROWS.map(() => []);
  return labels
    .filter((label, k) => labels.findIndex((other) => other.text === label.text) === k)
    .toSorted((a, b) => a.x - b.x)
    .map(({ x, text, isLimit }) => {
      const length = text.length * CHAR_PX + GAP_PX;
      const spans = (['start', 'end'] as const).map((anchor): ['start' | 'end', [number, number]] => [
        anchor,
        anchor === 'start' ? [x + 3, x + 3 + length] : [x - 3 - length, x - 3],
      ]);
      const inside = spans.filter(([, span]) => span[0] >= 0 && span[1] <= width);
      for (const [row, y] of ROWS.entries()) {
        for (const [anchor, span] of inside) {
          if (taken[row]?.every((other) => span[1] < other[0] || span[0] > other[1])) {
            taken[row]?.push(span);
            return { x, y, anchor, text, isLimit, textX: anchor === 'start' ? x + 3 : x - 3 };
          }
        }
      }
      return { x, y: ROWS[0] ?? 32, anchor: 'end' as const, text: '', isLimit, textX: x }; // its line alone, rather than a blot
    });
}
