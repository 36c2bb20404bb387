/** The readings of motor face, plate and screws, in the order in which they are taken. */
import type { Joint, PlateSheet } from '../../api/types';
import { reading, type ReadingSpec } from '../../measure/reading-specs';

type Face = PlateSheet['face'];
type Plate = PlateSheet['plate'];
type BuildUp = PlateSheet['build_up'];

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
export const STANDOFF_SCREWS: readonly ReadingSpec<Joint>[] = [
  reading('length', 'Length of the standoff screws', 'length', 'under the head'),
  reading('depth_behind', 'Depth of the hole in a leg', 'length', 'to the end of the drill'),
];
export const JOINT: readonly ReadingSpec<Joint>[] = [
  reading('washer', 'Washer, thickness', 'length', '0 where there is none'),
  reading('head', 'Washer or head, diameter', 'length', 'empty: a socket head’s'),
  reading('thread_depth', 'Full thread in the tapped hole', 'length', 'turns of a screw by hand × pitch'),
  reading('countersink', 'Countersink of the tapped hole', 'length', '0 where there is none'),
  reading('tightening', 'Tightened to', 'torque', 'empty: for 70 % of proof'),
];

export const TERMINALS: readonly ReadingSpec<Face>[] = [
  reading('terminals_at', 'Terminals at', 'angle', 'middle of them, from 3 o’clock, looking at the face'),
  reading('terminals_arc', 'Terminals and cables take up', 'angle', 'of the turn'),
];
export const TERMINALS_WINDOW: readonly ReadingSpec<Plate>[] = [
  reading('terminals_from', 'They may lie from', 'angle', 'in the vehicle, seen from the engine side'),
  reading('terminals_to', 'to', 'angle', 'anticlockwise'),
];
export const THICKNESS: readonly ReadingSpec<Plate>[] = [reading('thickness', 'Thickness', 'length')];
export const BORE: readonly ReadingSpec<Plate>[] = [
  reading('bore', 'Bore through it', 'length', 'empty: the motor’s register'),
];
export const GEARBOX_PLATE_BORE: readonly ReadingSpec<Plate>[] = [
  reading(
    'bore',
    'Bore, gearbox plate',
    'length',
    'for shaft and coupler; the motor plate has the register’s',
  ),
];
export const CONCENTRICITY: readonly ReadingSpec<Plate>[] = [
  reading('concentricity', 'Concentricity as machined', 'length'),
];
export const DOWEL: readonly ReadingSpec<Plate>[] = [
  reading('dowel_size', 'Dowel', 'length', 'two of them, as far apart as the flange allows'),
];
export const STOCK: readonly ReadingSpec<Plate>[] = [
  reading('kerf', 'Kerf put into the lines', 'length', 'empty: the cutter’s own'),
  reading('sheet_long', 'Stock sheet, long', 'length'),
  reading('sheet_wide', 'Stock sheet, wide', 'length'),
];
export const SECOND: readonly ReadingSpec<BuildUp>[] = [
  reading('second_thickness', 'Motor plate, thickness', 'length'),
];
export const APART: readonly ReadingSpec<BuildUp>[] = [
  reading('wanted_apart', 'Faces wanted apart', 'length', 'as shafts and coupler ask for'),
];
export const STANDOFFS: readonly ReadingSpec<BuildUp['standoffs']>[] = [
  reading('circle', 'On a circle of', 'length'),
  reading('first_at', 'First at', 'angle'),
  reading('hole', 'Hole in each plate', 'length'),
  reading('diameter', 'Diameter of a leg', 'length'),
  reading('bored', 'Bored through', 'length', 'empty: solid'),
  reading('length', 'Length as ordered', 'length', 'face to face'),
];
export const RING: readonly ReadingSpec<BuildUp['ring']>[] = [
  reading('thickness', 'Ring, thickness', 'length'),
  reading('inside', 'Ring, inside', 'length'),
];
export const BASE: readonly ReadingSpec<BuildUp['base']>[] = [
  reading('along', 'Feet’s holes, along the shaft', 'length'),
  reading('across', 'Feet’s holes, across', 'length'),
  reading('hole', 'Hole for the feet', 'length'),
  reading('from_face', 'Gearbox face to the first pair', 'length'),
  reading('shaft_height', 'Feet to motor shaft', 'length'),
  reading('bed_height', 'Base plate to gearbox shaft', 'length'),
];
