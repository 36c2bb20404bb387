import { expect, it } from 'vitest';
import { answered, Refusal } from './client';

it('writes the figures of a refusal, of its fields too', async () => {
  const says = 'wall is ⟨26|mm|g⟩; it must be below half of ⟨40|mm|g⟩';
  const refused = answered(
    Promise.resolve({
      error: { says, fields: [{ field: 'mounts.mounts.0.bracket.wall', says }] },
      response: new Response(null, { status: 422 }),
    }),
  );
  const error = await refused.catch((one: unknown) => one);
  expect(error).toBeInstanceOf(Refusal);
  expect((error as Refusal).message).toMatch(/^wall is 26\smm; it must be below half of 40\smm$/);
  expect((error as Refusal).fields[0]?.says).toBe((error as Refusal).message);
});
