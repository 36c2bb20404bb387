import { describe, expect, it } from 'vitest';
import { placedLabels } from './placed-labels';

const span = (label: { textX: number; anchor: string; text: string }) => {
  const length = label.text.length * 4.8;
  return label.anchor === 'start' ? [label.textX, label.textX + length] : [label.textX - length, label.textX];
};

describe('placedLabels', () => {
  it('lets no label cover another in its row, nor leave the rule', () => {
    const crowded = [100, 118, 140, 390, 395].map((x, k) => ({
      x,
      text: `limit number ${k}`,
      isLimit: true,
    }));
    const placed = placedLabels(crowded, 400).filter((label) => label.text);
    expect(placed.length).toBeGreaterThan(2);
    for (const [k, one] of placed.entries()) {
      expect(span(one)[1]).toBeLessThanOrEqual(400);
      for (const other of placed.slice(k + 1).filter((label) => label.y === one.y)) {
        const [a, b] = [span(one), span(other)];
        expect((a[1] ?? 0) < (b[0] ?? 0) || (a[0] ?? 0) > (b[1] ?? 0)).toBe(true);
      }
    }
  });

  it('keeps the line of a limit whose words have no room', () => {
    const same = ['one limit', 'two limit', 'three limit', 'four limit', 'five limit'].map((text) => ({
      x: 200,
      text,
      isLimit: true,
    }));
    expect(placedLabels(same, 400)).toHaveLength(5);
  });
});
