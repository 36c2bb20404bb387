/** The readings of motor face, plate and screws, in the order in which they are taken. */
import type { Joint, PlateSheet } from '../../api/types';
import { reading, type ReadingSpec } from '../../measure/reading-specs';

type Face = PlateSheet['face'];

export const CIRCLE: readonly ReadingSpec<Face>[] = [
  reading('bolt_circle', 'Bolt circle', 'length', 'across two opposite holes'),
];
export const FACE: readonly ReadingSpec<Face>[] = [
  reading('register_size', 'Register', 'length'),
  reading('plate_hole', 'Clearance hole in the plate', 'length', 'M10 11, M8 9, M12 13.5 mm'),
  reading('counterbore', 'Counterbore, when heads are sunk', 'length'),
  reading('counterbore_depth', 'Counterbore depth', 'length'),
];
export const MOTOR_SCREWS: readonly ReadingSpec<Face>[] = [
  reading('screw_length', 'Screw length', 'length', 'under the head'),
  reading(
    'depth_behind',
    'Depth behind the face',
    'length',
    'a wire down the hole, to the first thing it meets',
  ),
];
export const OVERHANG: readonly ReadingSpec<Face>[] = [
  reading('overhang', 'Motor’s c.g. from its face', 'length', 'balance it on a bar'),
];
export const FLANGE_SCREWS: readonly ReadingSpec<Joint>[] = [
  reading('length', 'Length of the gearbox screws', 'length', 'under the head'),
  reading('depth_behind', 'Depth behind the gearbox face', 'length', 'to the first thing behind'),
];
export const JOINT: readonly ReadingSpec<Joint>[] = [
  reading('washer', 'Washer', 'length'),
  reading('countersink', 'Countersink of the tapped hole', 'length'),
  reading('tightening', 'Tightened to', 'torque', 'empty: for 72 % of proof'),
];
