import { fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Box } from '../../api/types';
import { serve } from '../../test-support';
import { newBox } from './boxes';
import BoxList from './BoxList.svelte';

function list(): ReturnType<typeof vi.fn<(boxes: Box[]) => void>> {
  const onchange = vi.fn<(boxes: Box[]) => void>();
  const boxes = [newBox('1st', '3.65'), newBox('2nd', '2.14')];
  const change = (write: (next: Box[]) => void) => {
    const next = structuredClone(boxes);
    write(next);
    onchange(next);
  };
  render(BoxList, {
    title: 'Gears',
    field: 'gears',
    boxes,
    noun: 'a gear',
    hint: '',
    disabled: false,
    change,
  });
  return onchange;
}
const type = async (label: string, value: string): Promise<HTMLInputElement> => {
  const input = screen.getByLabelText<HTMLInputElement>(label);
  await fireEvent.input(input, { target: { value } });
  return input;
};
const alert = async () => (await screen.findByRole('alert')).textContent;

describe('BoxList', () => {
  afterEach(() => vi.unstubAllGlobals());

  it('adds a box by its ratio, and asks for another name when there is one', async () => {
    serve({ measure: () => ({ json: { value: 1.37, unit: '' } }) });
    const onchange = list();
    await type('Ratio of a gear', '1.37');
    await type('Name of a gear', '2nd');
    await fireEvent.click(screen.getByText('add a gear'));
    expect(await alert()).toContain('There is a 2nd already');
    expect(onchange).not.toHaveBeenCalled();
    await type('Name of a gear', '3rd');
    await fireEvent.click(screen.getByText('add a gear'));
    await vi.waitFor(() => expect(onchange).toHaveBeenCalledOnce());
    expect(onchange.mock.calls[0]?.[0].map((box) => box.name)).toEqual(['1st', '2nd', '3rd']);
  });

  it('keeps a text that can not be read in its field, and the sheet as it was', async () => {
    serve({ measure: () => ({ status: 422, json: { says: 'Type a ratio such as 4.11.' } }) });
    const onchange = list();
    const input = await type('Ratio of 1st', 'tall');
    await fireEvent.keyDown(input, { key: 'Enter' });
    expect(await alert()).toContain('Type a ratio such as 4.11.');
    expect(input.value).toBe('tall');
    expect(onchange).not.toHaveBeenCalled();
  });

  it('does not let a ratio be emptied, but lets a rating come and go', async () => {
    serve({ measure: () => ({ json: { value: 320, unit: 'Nm' } }) });
    const onchange = list();
    await fireEvent.blur(await type('Ratio of 2nd', ''));
    expect(await alert()).toContain('A ratio is needed');
    await fireEvent.blur(await type('Torque rating of 2nd', '320 Nm'));
    await vi.waitFor(() => expect(onchange).toHaveBeenCalledOnce());
    expect(onchange.mock.calls[0]?.[0][1]?.rating).toEqual({ text: '320 Nm' });
  });
});
