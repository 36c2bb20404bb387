import { describe, expect, it } from 'vitest';
import type { Box, LibraryPart, UnitSheet } from '../api/types';
import { serve } from '../test-support';
import { copied, keepInLibrary, originOf, reviseInLibrary, summary } from './library';

const BOX: Box = {
  name: 'Twin',
  ratio: { text: '1.42' },
  more_ratios: [{ text: '1.90' }],
  rating: { text: '420 Nm' },
  rating_at: 'input',
  on_coast_flank: false,
};
const PART: LibraryPart = {
  id: 'part-1',
  shop_id: 7,
  name: 'Twin',
  revision: 3,
  source: 'drawing',
  saved_by: 'owner',
  saved_at: '2026-01-02T09:00:00Z',
  content: { kind: 'reduction', box: BOX },
};

describe('a part of the library', () => {
  it('is copied with where it is from, and found again by it', () => {
    const box = copied(PART).content.box!;
    expect(box.library).toEqual({ part: 'part-1', revision: 3 });
    expect(originOf(box, [PART])).toBe(PART);
    expect(originOf(BOX, [PART])).toBeNull();
    expect(PART.content.box?.library).toBeUndefined();
  });

  it('is told from others in a line', () => {
    expect(summary(PART)).toBe('1.42 1.90, 420 Nm');
  });

  it('is kept without what only one job’s way in says of it', async () => {
    const sent = serve({ 'POST /api/library': () => ({ status: 201, json: PART }) });
    const unit = { name: 'Unit 4', bodies: [{ name: 'ear', after_step: 2 }] } as unknown as UnitSheet;
    await keepInLibrary(7, 'envelope', unit, 'Unit 4', 'taped');
    expect(sent[0]?.body).toMatchObject({
      content: { unit: { bodies: [{ name: 'ear', after_step: null }] } },
    });
  });

  it('is kept and written back without the copy’s own origin', async () => {
    const sent = serve({ 'POST /api/library': () => ({ status: 201, json: PART }) });
    await keepInLibrary(7, 'reduction', copied(PART).content.box!, 'Twin', 'drawing');
    await reviseInLibrary(PART, 'reduction', copied(PART).content.box!, 'asked again');
    expect(sent.map((one) => one.path)).toEqual(['POST /api/library', 'POST /api/library/part-1/revisions']);
    expect(sent[0]?.body).toMatchObject({ shop_id: 7, name: 'Twin', content: { box: { library: null } } });
    expect(sent[1]?.body).toMatchObject({ based_on: 3, source: 'asked again' });
  });
});
