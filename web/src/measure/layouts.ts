/** How the motor reaches the wheels, in words. */
export const LAYOUTS = [
  ['kept_gearbox', 'motor on the kept gearbox'],
  ['propshaft_reduction', 'reduction box on the propshaft'],
  ['axle_unit', 'drive unit on one axle'],
  ['centre_unit', 'drive unit amidships'],
  ['two_units', 'two units, front and rear'],
] as const;
