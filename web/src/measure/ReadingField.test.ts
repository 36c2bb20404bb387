import { fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { serve } from '../test-support';
import { Reader, readerContext } from './reader';
import ReadingField from './ReadingField.svelte';

const READ = {
  value: 209.55,
  unit: 'mm',
  u: null,
  inch: '8.250 in',
  fraction: '8 1/4"',
  fraction_error_mm: 0,
};

const reader = new Reader();

function field(): { input: HTMLInputElement; onchange: ReturnType<typeof vi.fn> } {
  const onchange = vi.fn();
  const value = { text: '8 1/4 in', tool: 'caliper' as const };
  const props = { label: 'Wheelbase', quantity: 'length' as const, value, onchange };
  render(ReadingField, { props, context: readerContext(() => reader) });
  return { input: screen.getByLabelText<HTMLInputElement>('Wheelbase'), onchange };
}

describe('ReadingField', () => {
  beforeEach(() => {
    serve({
      measure: (body) =>
        (body as { text: string }).text === 'far'
          ? { status: 422, json: { says: '“far” does not start with a number.', fields: [] } }
          : { json: READ },
    });
  });
  afterEach(() => vi.unstubAllGlobals());

  it('hands on what was typed, with the tool it had, and echoes what was understood', async () => {
    const { input, onchange } = field();
    await fireEvent.input(input, { target: { value: '8-1/4"' } });
    await fireEvent.keyDown(input, { key: 'Enter' });
    expect(await screen.findByText('= 209.55 mm = 8.250 in ≈ 8 1/4"')).toBeTruthy();
    expect(onchange).toHaveBeenCalledWith({ text: '8-1/4"', tool: 'caliper' });
  });

  it('is taken once when it is entered and then left, before it was read', async () => {
    const sent = serve({ measure: () => ({ json: READ }) });
    const { input, onchange } = field();
    await fireEvent.input(input, { target: { value: '209.5' } });
    await fireEvent.keyDown(input, { key: 'Enter' });
    await fireEvent.blur(input);
    await vi.waitFor(() => expect(onchange).toHaveBeenCalled());
    expect([sent.length, onchange.mock.calls.length]).toEqual([1, 1]);
  });

  it('keeps text that cannot be read, says why, and hands nothing on', async () => {
    const { input, onchange } = field();
    await fireEvent.input(input, { target: { value: 'far' } });
    await fireEvent.blur(input);
    expect((await screen.findByRole('alert')).textContent).toContain('does not start with a number');
    expect([input.value, input.getAttribute('aria-invalid')]).toEqual(['far', 'true']);
    expect(onchange).not.toHaveBeenCalled();
  });

  it('goes back to what was there on Escape, and empties on an empty text', async () => {
    const { input, onchange } = field();
    await fireEvent.input(input, { target: { value: 'far' } });
    await fireEvent.keyDown(input, { key: 'Escape' });
    expect(input.value).toBe('8 1/4 in');
    await fireEvent.input(input, { target: { value: ' ' } });
    await fireEvent.keyDown(input, { key: 'Enter' });
    expect(onchange).toHaveBeenCalledWith(null);
  });

  it('is taken before a save goes on, typed and not left, or left that moment', async () => {
    const { input, onchange } = field();
    input.focus();
    await fireEvent.input(input, { target: { value: '8-1/4"' } });
    await reader.settled();
    expect(onchange).toHaveBeenCalledWith({ text: '8-1/4"', tool: 'caliper' });
    expect(document.activeElement).toBe(input);
    await fireEvent.input(input, { target: { value: '8.5 in' } });
    await fireEvent.blur(input);
    expect(onchange).not.toHaveBeenCalledWith({ text: '8.5 in', tool: 'caliper' });
    await reader.settled();
    expect(onchange).toHaveBeenCalledWith({ text: '8.5 in', tool: 'caliper' });
  });

  it('does not keep a save waiting when it can not be read', async () => {
    const { input, onchange } = field();
    await fireEvent.input(input, { target: { value: 'far' } });
    await fireEvent.blur(input);
    await reader.settled();
    expect(onchange).not.toHaveBeenCalled();
  });
});
