/** New rows of the shafts' sheet. */
import type { Axle, AxleSide, FlangeAdapter, PropLine } from '../../api/types';

const newFlange = (): Axle['flange'] => ({ count: 0, joint: { crush_tube: false } });

export const newSide = (): AxleSide => ({
  inner: { point: null },
  outer: { ride: { point: null }, heights: [], pivot_a: { point: null }, pivot_b: { point: null } },
  steers: null,
  steered: { pin_top: { point: null }, pin_bottom: { point: null } },
  bar: {
    part_number: '',
    inner_spline: { form: '' },
    outer_spline: { form: '' },
    grooves: '',
    boots: '',
    measured_how: '',
    is_mock_up: false,
    mock_up: {},
  },
});

export const newAxle = (name: string): Axle => ({
  name,
  inner: {},
  outer: {},
  flange: newFlange(),
  left: newSide(),
  right: newSide(),
});

/** A side of the same parts at another axle: where its joints are and what was measured there is its own. */
const sameParts = ({ bar }: AxleSide): AxleSide => ({
  ...newSide(),
  bar: {
    ...newSide().bar,
    made_to: bar.made_to,
    diameter: bar.diameter,
    bore: bar.bore,
    inner_seat: bar.inner_seat,
    outer_seat: bar.outer_seat,
    material: bar.material,
    guide_mpa: bar.guide_mpa,
    range_mpa: bar.range_mpa,
    inner_spline: { ...bar.inner_spline },
    outer_spline: { ...bar.outer_spline },
    grooves: bar.grooves,
    boots: bar.boots,
  },
});

/** The front axle from the rear one, or the other way: its joints, bars and bolts are the same, its places are not. */
export const otherAxle = (axle: Axle, name: string): Axle => ({
  ...axle,
  name,
  which: axle.which === 'rear' ? 'front' : axle.which === 'front' ? 'rear' : null,
  laden: null,
  empty: null,
  left: sameParts(axle.left),
  right: sameParts(axle.right),
});

export function otherEnd(name: string): string {
  if (/rear/i.test(name)) return name.replace(/rear/i, (word) => (word === 'Rear' ? 'Front' : 'front'));
  if (/front/i.test(name)) return name.replace(/front/i, (word) => (word === 'Front' ? 'Rear' : 'rear'));
  return `${name}, other axle`;
}

const newJoint = (): PropLine['joints'][number] => ({ at: { point: null }, grease: '' });
const newTube = (): PropLine['tubes'][number] => ({
  part_number: '',
  slips: false,
  flanges: '',
  slip_spline: { form: '' },
  is_mock_up: false,
  runs: {},
});

export const newLine = (name: string): PropLine => ({
  name,
  joints: [newJoint(), newJoint()],
  box_flange: newFlange(),
  pinion_flange: newFlange(),
  tubes: [newTube()],
  box: {},
  pinion: {},
  bearing: {},
  arc: [],
});

/** One more joint, and the shaft before it. */
export function lengthen(line: PropLine): void {
  line.joints.push(newJoint());
  line.tubes.push(newTube());
}

export function shorten(line: PropLine): void {
  line.joints.pop();
  line.tubes.pop();
}

/** Twists a shaft's yokes as was found best. */
export function twist(line: PropLine, shaft: number, deg: number): void {
  const tube = line.tubes[shaft];
  if (tube) tube.phasing = { ...tube.phasing, unit: null, text: `${deg}°` };
}

const newFace = (): FlangeAdapter['shaft'] => ({ count: 0, is_tapped: false, joint: { crush_tube: false } });

export const newAdapter = (name: string): FlangeAdapter => ({
  name,
  shaft: newFace(),
  away: newFace(),
  part_number: '',
});
