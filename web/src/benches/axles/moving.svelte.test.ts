import { afterEach, describe, expect, it, vi } from 'vitest';
import { Moving, rowAt } from './moving.svelte';

const ROWS = [-85, -40, 0, 35, 70].map((height_mm) => ({ height_mm }));

describe('the row at a share of the way', () => {
  it.each([
    [-1, -85],
    [-0.5, -40],
    [0, 0],
    [0.5, 35],
    [1, 70],
  ])('%f is of the droop below ride height and of the bump above it: %i mm', (share, height) => {
    expect(rowAt(ROWS, share)?.height_mm).toBe(height);
  });

  it('is none where nothing is known', () => expect(rowAt([], 0)).toBeUndefined());
});

describe('a height that goes up and down by itself', () => {
  afterEach(() => vi.unstubAllGlobals());

  it('goes on from where it was, and stops where it is taken hold of', () => {
    const frames: FrameRequestCallback[] = [];
    vi.stubGlobal('requestAnimationFrame', (step: FrameRequestCallback) => frames.push(step));
    vi.stubGlobal('cancelAnimationFrame', () => undefined);
    const moving = new Moving();
    moving.play();
    const now = performance.now();
    frames[0]?.(now);
    expect(Math.abs(moving.share)).toBeLessThan(0.05);
    frames[0]?.(now + 1050); // a quarter of the way there and back
    expect(moving.share).toBeGreaterThan(0.99);
    moving.set(-0.3);
    frames[0]?.(now + 2000);
    expect([moving.share, moving.isPlaying]).toEqual([-0.3, false]);
  });
});
