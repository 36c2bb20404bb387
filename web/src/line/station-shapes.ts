/** Stations of the Line as side views, scribed in a box of a given width; the shaft runs at half the height. */
export const SHAPE_HEIGHT = 52;
const MID = SHAPE_HEIGHT / 2;

const line = (x1: number, y1: number, x2: number, y2: number) => `M${x1} ${y1}L${x2} ${y2}`;
const box = (x1: number, y1: number, x2: number, y2: number) => `M${x1} ${y1}H${x2}V${y2}H${x1}Z`;
const ring = (x: number, y: number, r: number) =>
  `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`;
const shaft = (x1: number, x2: number, half = 3) => box(x1, MID - half, x2, MID + half);

function motor(w: number): string {
  const end = w * 0.74;
  const fins = Array.from({ length: 7 }, (_, k) =>
    line(14 + ((end - 22) * (k + 0.5)) / 7, 9, 14 + ((end - 22) * (k + 0.5)) / 7, 43),
  );
  return box(6, 5, end, 47) + fins.join('') + box(end, 14, end + 6, 38) + shaft(end + 6, w);
}

function gearbox(w: number): string {
  const bell = w * 0.3;
  return `M2 4L${bell} 11V41L2 48Z` + box(bell, 11, w * 0.78, 41) + shaft(w * 0.78, w);
}

function reduction(w: number): string {
  return (
    box(w * 0.12, 8, w * 0.88, 44) +
    ring(w * 0.36, MID, 8) +
    ring(w * 0.66, MID, 14) +
    shaft(0, w * 0.12) +
    shaft(w * 0.88, w)
  );
}

function driveUnit(w: number): string {
  const c = w * 0.68;
  return box(w * 0.1, 7, c, 45) + ring(c, MID, 19) + ring(c, MID, 7) + shaft(0, w * 0.1) + shaft(c + 19, w);
}

function coupler(w: number): string {
  const c = w / 2;
  return (
    shaft(0, c - 14) +
    box(c - 14, 16, c - 4, 36) +
    box(c - 4, 10, c + 4, 42) +
    box(c + 4, 16, c + 14, 36) +
    shaft(c + 14, w)
  );
}

function transfer(w: number): string {
  const c = w / 2;
  return shaft(0, c - 16) + box(c - 16, 14, c + 16, 44) + shaft(c + 16, w) + ring(c, MID + 8, 5);
}

function propshaft(w: number): string {
  return ring(8, MID, 7) + box(17, 20, w - 17, 32) + ring(w - 8, MID, 7);
}

function finalDrive(w: number): string {
  const c = w * 0.58;
  return (
    shaft(0, c - 26, 5) +
    `M${c - 26} ${MID - 8}Q${c} ${MID - 34} ${c + 26} ${MID - 8}V${MID + 8}Q${c} ${MID + 34} ${c - 26} ${MID + 8}Z` +
    shaft(c + 26, w, 6)
  );
}

function wheel(w: number): string {
  const c = w / 2;
  return ring(c, MID, 24) + ring(c, MID, 14) + ring(c, MID, 3) + shaft(0, c - 24, 2);
}

const SHAPES: Record<string, (width: number) => string> = {
  motor,
  gearbox,
  transfer,
  reduction,
  drive_unit: driveUnit,
  coupler,
  propshaft,
  final_drive: finalDrive,
  axle: (w) => shaft(0, w, 5),
  wheel,
  plate: (w) => box(w / 2 - 4, 4, w / 2 + 4, 48),
};

/** How much of the Line's width each kind of station takes. */
export const WEIGHTS: Record<string, number> = {
  motor: 1.25,
  plate: 0.95,
  coupler: 0.95,
  propshaft: 1.6,
  axle: 1,
  wheel: 1,
  road: 1.15,
};

export const BRANCH_WEIGHT = 1.6; // of a station of a branch
export const TRUNK_WEIGHT = 0.85; // of one ahead of branches

export function stationPath(kind: string, width: number): string {
  return SHAPES[kind]?.(width) ?? '';
}
