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
    bracket: { has_tabs: false, landing: { is_there: false } },
    grip: 'ears',
    cradle: {},
    ears: {},
    tube: {},
  };
}

export function newStation(name: string): MountsSheet['frame']['stations'][number] {
  return { name, kind: 'trough', plates: [] };
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

/** Takes what was found for a bracket into its fields. */
export function takeBracket(mount: Mount, fields: Sought['fields']): void {
  for (const { field, text } of fields) {
    const name = field.split('.').at(-1);
    if (name === 'kind') mount.bracket.kind = text as Mount['bracket']['kind'];
    else if (name === 'lies_to') mount.bracket.lies_to = text as Mount['bracket']['lies_to'];
    else if (name === 'wall' || name === 'leg' || name === 'gusset' || name === 'bend' || name === 'beside')
      mount.bracket[name] = { ...mount.bracket[name], unit: null, text };
  }
}
