import { describe, expect, it } from 'vitest';
import { boundsOf, pathData } from './shapes';

describe('pathData', () => {
  it('draws a bulge as the arc it stands for', () => {
    const vertices = [
      { x_mm: 10, y_mm: 0, bulge: Math.tan(Math.PI / 8) },
      { x_mm: 0, y_mm: 10, bulge: 0 },
    ];
    const data = pathData({ shape: 'path', layer: 'CUT', part: 'p', closed: true, vertices });
    const [, radius, , , , sweep] = /A([\d.]+) ([\d.]+) (\d) (\d) (\d)/.exec(data) ?? [];
    expect(Number(radius)).toBeCloseTo(10);
    expect(sweep).toBe('1'); // anticlockwise where y is up
    expect(data.endsWith('L10 0Z')).toBe(true);
  });

  it('draws nothing of no vertices', () => {
    expect(pathData({ shape: 'path', layer: 'CUT', part: 'p', closed: true, vertices: [] })).toBe('');
  });
});

describe('boundsOf', () => {
  it('leaves room round the points, and a square where there are none', () => {
    expect(boundsOf([{ x_mm: 5, y_mm: -5 }], 10)).toEqual({ left: -5, bottom: -15, right: 15, top: 5 });
    expect(boundsOf([], 10).right).toBe(100);
  });
});
