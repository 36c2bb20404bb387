import { expect, it, vi } from 'vitest';
import { submits } from './submits';

it('lets a form be sent once at a time, and again after a failure', async () => {
  const done: ((ok: boolean) => void)[] = [];
  const run = vi.fn(() => new Promise<void>((yes, no) => done.push((ok) => (ok ? yes() : no(new Error())))));
  const send = submits(run);
  const event = () => new Event('submit', { cancelable: true }) as SubmitEvent;
  const [first, second] = [event(), event()];
  const sent = send(first);
  await send(second);
  expect([run.mock.calls.length, first.defaultPrevented, second.defaultPrevented]).toEqual([1, true, true]);
  done[0]?.(false);
  await expect(sent).rejects.toThrow();
  void send(event());
  expect(run).toHaveBeenCalledTimes(2);
});
