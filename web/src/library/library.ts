/** The shop's library of parts: what a job's copies are compared with, and how they are written back. */
import { answered, client } from '../api/client';
import type {
  Box,
  Gearbox,
  LibraryPart,
  MotorSheet,
  PartContent,
  PartKind,
  Tyre,
  UnitSheet,
} from '../api/types';

/** What a job holds a copy of. */
export type Held = (Box | Gearbox | MotorSheet | Tyre | UnitSheet) & { name?: string };

export const LIBRARY_QUERY = {
  queryKey: ['library'],
  queryFn: () => answered(client.GET('/api/library')),
};

export const KIND_WORDS: Record<PartKind, string> = {
  motor: 'motor',
  drive_unit: 'drive unit',
  reduction: 'reduction box',
  gearbox: 'gearbox',
  final_drive: 'final drive',
  tyre: 'tyre',
  envelope: 'unit’s envelope',
};

/** A part's sheet as a job takes it: a copy that knows where it is from. */
export function copied(part: LibraryPart): LibraryPart {
  const { motor, box, gearbox, tyre, unit } = part.content;
  const library = { part: part.id, revision: part.revision };
  return {
    ...part,
    content: {
      kind: part.content.kind,
      motor: motor && { ...motor, library },
      box: box && { ...box, library },
      gearbox: gearbox && { ...gearbox, library },
      tyre: tyre && { ...tyre, library },
      unit: unit && { ...unit, library },
    },
  };
}

function contentOf(kind: PartKind, held: Held): PartContent {
  const bare = { ...held, library: null };
  if (kind === 'motor') return { kind, motor: bare as MotorSheet };
  if (kind === 'gearbox') return { kind, gearbox: bare as Gearbox };
  if (kind === 'tyre') return { kind, tyre: bare as Tyre };
  if (kind === 'envelope') return { kind, unit: withoutSteps(bare as UnitSheet) };
  return { kind, box: bare as Box };
}

/** What goes on after which step is a job's own way in. */
function withoutSteps(unit: UnitSheet): UnitSheet {
  return { ...unit, bodies: unit.bodies.map((body) => ({ ...body, after_step: null })) };
}

/** Returns the part that a copy was taken from, as the library has it now. */
export function originOf(held: Held, parts: readonly LibraryPart[]): LibraryPart | null {
  return parts.find((part) => part.id === held.library?.part) ?? null;
}

export function keepInLibrary(
  shopId: number,
  kind: PartKind,
  held: Held,
  name: string,
  source: string,
): Promise<LibraryPart> {
  const body = { shop_id: shopId, name, source, content: contentOf(kind, held) };
  return answered(client.POST('/api/library', { body }));
}

export function reviseInLibrary(
  part: LibraryPart,
  kind: PartKind,
  held: Held,
  source: string,
): Promise<LibraryPart> {
  const body = { based_on: part.revision, source, content: contentOf(kind, held) };
  return answered(
    client.POST('/api/library/{part_id}/revisions', { params: { path: { part_id: part.id } }, body }),
  );
}

export function retireFromLibrary(part: LibraryPart): Promise<LibraryPart> {
  return answered(client.DELETE('/api/library/{part_id}', { params: { path: { part_id: part.id } } }));
}

/** One line about a part: enough to tell it from the others. */
export function summary({ content }: LibraryPart): string {
  const { motor, box, gearbox, tyre, unit } = content;
  const words = motor
    ? [motor.peak_torque?.text, motor.peak_power?.text, motor.greatest_rpm?.text]
    : gearbox
      ? [gearbox.gears.map((gear) => gear.ratio.text).join(' '), gearbox.rating?.text]
      : box
        ? [[box.ratio, ...box.more_ratios].map((one) => one.text).join(' '), box.rating?.text]
        : unit
          ? [unit.bodies.map((body) => body.name).join(', '), unit.mass?.text]
          : [tyre?.code, tyre?.roll_out?.text];
  return words.filter((word) => word).join(', ');
}
