import { layouts } from '../api/tables.json';
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

interface Has {
  /** The motor’s own reduction. */
  unit: boolean;
  /** Gears that are kept. */
  kept_box: boolean;
  /** A shaft along the vehicle; else the differential stands in the motor’s casing. */
  propshaft: boolean;
  /** A final drive apart from a unit’s reduction. */
  final_drive: boolean;
}

/** What a layout has between motor and wheels, as the core says it. */
export const layoutHas = (layout: BriefSheet['layout']): Has => layouts[layout];
