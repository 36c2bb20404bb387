import type { BriefSheet } from '../api/types';

/** How the motor reaches the wheels, in words. */
export const LAYOUTS = [
  ['kept_gearbox', 'motor on the kept gearbox, propshaft'],
  ['kept_transaxle', 'motor on the kept transaxle, half shafts'],
  ['propshaft_reduction', 'reduction box on the propshaft'],
  ['axle_unit', 'drive unit on one axle'],
  ['centre_unit', 'drive unit amidships'],
  ['two_units', 'two units, front and rear'],
] as const;

/** What leaves the motor’s casing goes to the wheels: its moment on the mounts is about the axle. */
export const DIFFERENTIAL_IN_CASING: readonly BriefSheet['layout'][] = [
  'axle_unit',
  'two_units',
  'kept_transaxle',
];
