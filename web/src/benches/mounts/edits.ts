/** New rows of the mounts sheet. */
import type { Mount, MountsSheet, Sought } from '../../api/types';

export function newMount(name: string): Mount {
  return {
    name,
    boss: { point: null },
    rail: { point: null },
    is_turned: false,
    angles: {},
    is_measured: false,
    weighed: {},
    bracket: { has_tabs: false, rail: {}, legs: {}, landing: { screws: {} } },
    grip: 'ears',
    cradle: { screws: {} },
    ears: { screw: {} },
    tube: {},
    eye: {},
  };
}

export function newCross(name: string): MountsSheet['crosses'][number] {
  return {
    name,
    first: { point: null },
    other: { point: null },
    bracket: { has_tabs: false, rail: {}, legs: {}, landing: { screws: {} } },
  };
}

/** A bracket on the other side: its middle lies to the other side of the load. */
export function otherWay(bracket: Mount['bracket']): Mount['bracket'] {
  const ways: Partial<Record<string, Mount['bracket']['lies_to']>> = { left: 'right', right: 'left' };
  return { ...bracket, lies_to: ways[bracket.lies_to ?? ''] ?? bracket.lies_to };
}

export function newStation(name: string): MountsSheet['frame']['stations'][number] {
  return { name, kind: 'notched', plates: [], drawing: '', rings: [] };
}

/** Takes what was found for the places along a cut into their fields. */
export function takeStations(frame: MountsSheet['frame'], fields: Sought['fields']): void {
  for (const { field, text } of fields) {
    const [station, name] = field.split('.').slice(-2);
    const row = frame.stations[Number(station)];
    if (row && (name === 'wall' || name === 'lid' || name === 'under' || name === 'under_breadth'))
      row[name] = { ...row[name], unit: null, text };
  }
}

/** Leaves a usual case out, or asks it again. */
export function leaveOut(sheet: MountsSheet, name: string, why: string | null): void {
  sheet.left_out = sheet.left_out.filter((one) => one.case !== name);
  if (why !== null) sheet.left_out.push({ case: name, why });
}

type Bracket = Mount['bracket'];
const SIZES = ['wall', 'leg', 'gusset', 'bend', 'beside', 'length'] as const;
const PLATE_SIZES = ['breadth', 'depth', 'thickness', 'across', 'upright', 'hole'] as const;
const among = <T extends string>(names: readonly T[], name: string | undefined): T | undefined =>
  names.find((one) => one === name);

/** Takes what was found for a bracket, or for its landing plate, into its fields. */
export function takeBracket(mount: Mount, fields: Sought['fields']): void {
  for (const { field, text } of fields) {
    const [parent, name] = field.split('.').slice(-2);
    if (parent === 'screws') takeScrews(mount.bracket.landing.screws, name, text);
    else if (parent === 'landing') takeLanding(mount.bracket.landing, name, text);
    else if (parent === 'legs') mount.bracket.legs.wall = { ...mount.bracket.legs.wall, unit: null, text };
    else if (name === 'kind') mount.bracket.kind = text as Bracket['kind'];
    else if (name === 'lies_to') mount.bracket.lies_to = text as Bracket['lies_to'];
    else {
      const size = among(SIZES, name);
      if (size) mount.bracket[size] = { ...mount.bracket[size], unit: null, text };
    }
  }
}

type Landing = Bracket['landing'];

function takeScrews(screws: Landing['screws'], name: string | undefined, text: string): void {
  if (name === 'condition') screws.condition = text as Landing['screws']['condition'];
  else if (name === 'tapped') screws.tapped = text as Landing['screws']['tapped'];
  else {
    const size = among(['washer', 'head', 'tightening'] as const, name);
    if (size) screws[size] = { ...screws[size], unit: null, text };
  }
}

function takeLanding(landing: Landing, name: string | undefined, text: string): void {
  landing.is_there = true;
  if (name === 'thread') landing.thread = text;
  else if (name === 'property_class') landing.property_class = text as Landing['property_class'];
  else {
    const size = among(PLATE_SIZES, name);
    if (size) landing[size] = { ...landing[size], unit: null, text };
  }
}
