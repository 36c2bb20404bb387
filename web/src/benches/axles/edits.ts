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
