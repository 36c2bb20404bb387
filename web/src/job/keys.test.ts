import { describe, expect, it, vi } from 'vitest';
import { jobKeys } from './keys';

function keyboard(): {
  press: (key: string, more?: KeyboardEventInit, target?: HTMLElement) => void;
  actions: Record<string, ReturnType<typeof vi.fn>>;
} {
  const names = ['goTo', 'undo', 'redo', 'save', 'pin', 'help', 'cycleUnits', 'measure'];
  const actions = Object.fromEntries(names.map((name) => [name, vi.fn()]));
  const handle = jobKeys([{ key: 'plate', title: 'Adapter plate', letter: 'a' }], actions as never);
  const press = (key: string, more: KeyboardEventInit = {}, target: HTMLElement = document.body) => {
    const event = new KeyboardEvent('keydown', { key, ...more });
    Object.defineProperty(event, 'target', { value: target });
    handle(event);
  };
  return { press, actions };
}

describe('jobKeys', () => {
  it('goes to a bench by g and its letter', () => {
    const { press, actions } = keyboard();
    for (const key of ['g', 'a', 'a', 'g', 'x']) press(key);
    expect(actions.goTo?.mock.calls).toEqual([['plate']]);
  });

  it('leaves letters alone while something is typed, but saves', () => {
    const { press, actions } = keyboard();
    const input = document.createElement('input');
    press('p', {}, input);
    press('z', { ctrlKey: true }, input); // the field's own undo
    press('s', { ctrlKey: true }, input);
    expect(actions.pin).not.toHaveBeenCalled();
    expect(actions.undo).not.toHaveBeenCalled();
    expect(actions.save).toHaveBeenCalledOnce();
  });

  it('undoes, redoes, pins, measures, changes units and helps', () => {
    const { press, actions } = keyboard();
    press('z', { ctrlKey: true });
    press('Z', { ctrlKey: true, shiftKey: true });
    for (const key of ['p', 'm', 'u', '?']) press(key);
    for (const name of ['undo', 'redo', 'pin', 'measure', 'cycleUnits', 'help'])
      expect(actions[name], name).toHaveBeenCalledOnce();
  });
});
