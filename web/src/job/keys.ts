/** Keys that work anywhere on a job, as long as nothing is being typed. */
import type { Bench } from '../api/types';

export interface KeyActions {
  goTo: (bench: string) => void;
  undo: () => void;
  redo: () => void;
  save: () => void;
  pin: () => void;
  help: () => void;
  find: () => void;
  cycleUnits: () => void;
  measure: () => void;
}

function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement && target.closest('input:not([type=range]), select, textarea') !== null
  );
}

/** Returns a handler of keydown; `g` waits for the letter of a bench. */
export function jobKeys(benches: readonly Bench[], actions: KeyActions): (event: KeyboardEvent) => void {
  let afterG = false;
  const plain: Record<string, () => void> = {
    p: actions.pin,
    u: actions.cycleUnits,
    m: actions.measure,
    '?': actions.help,
    '/': actions.find,
  };
  return (event) => {
    const key = event.key.toLowerCase();
    if (event.ctrlKey || event.metaKey) {
      if (key === 's') {
        event.preventDefault();
        actions.save();
      } else if (key === 'z' && !isTyping(event.target)) {
        event.preventDefault();
        (event.shiftKey ? actions.redo : actions.undo)();
      }
      return;
    }
    if (event.altKey || isTyping(event.target)) return;
    const bench = afterG ? benches.find((one) => one.letter === key) : undefined;
    afterG = key === 'g';
    if (bench) return actions.goTo(bench.key);
    const action = plain[key];
    if (action) {
      event.preventDefault();
      action();
    }
  };
}
