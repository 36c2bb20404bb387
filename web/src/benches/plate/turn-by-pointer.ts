import type { Attachment } from 'svelte/attachments';

interface Turning {
  turnedDeg: number;
  sense: number; // +1 when a growing angle runs anticlockwise as drawn
  onturn: (deg: number) => void;
}

const STEP_DEG = 0.5;
const KEY_STEPS: Record<string, number> = {
  ArrowUp: 1,
  ArrowRight: 1,
  ArrowDown: -1,
  ArrowLeft: -1,
  PageUp: 10,
  PageDown: -10,
};

const snapped = (deg: number) => Math.round(deg / STEP_DEG) * STEP_DEG;
/** −180 up to 180: how a person says which way it is turned. */
const within = (deg: number) => ((((deg + 180) % 360) + 360) % 360) - 180;

/** Lets an element of a drawing be turned about the drawing's origin by dragging it, or with the arrow keys. */
export function turnByPointer(turning: () => Turning): Attachment<SVGGElement> {
  return (element) => {
    let start: { pointerDeg: number; turnedDeg: number } | null = null;

    function pointerDeg(event: PointerEvent): number {
      const matrix = element.getScreenCTM()?.inverse();
      const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix);
      return (Math.atan2(at.y, at.x) * 180) / Math.PI;
    }
    function down(event: PointerEvent): void {
      start = { pointerDeg: pointerDeg(event), turnedDeg: turning().turnedDeg };
      element.setPointerCapture(event.pointerId);
    }
    function move(event: PointerEvent): void {
      if (!start) return;
      const { sense, onturn } = turning();
      onturn(snapped(within(start.turnedDeg + sense * (pointerDeg(event) - start.pointerDeg))));
    }
    function up(): void {
      start = null;
    }
    function key(event: KeyboardEvent): void {
      const steps = KEY_STEPS[event.key];
      if (steps === undefined) return;
      event.preventDefault();
      const { turnedDeg, onturn } = turning();
      onturn(snapped(within(turnedDeg + steps * STEP_DEG)));
    }

    const listeners: [string, EventListener][] = [
      ['pointerdown', down as EventListener],
      ['pointermove', move as EventListener],
      ['pointerup', up],
      ['pointercancel', up],
      ['keydown', key as EventListener],
    ];
    for (const [name, listener] of listeners) element.addEventListener(name, listener);
    return () => {
      for (const [name, listener] of listeners) element.removeEventListener(name, listener);
    };
  };
}
