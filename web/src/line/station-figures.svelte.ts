import type { Line, Station, Verdict } from '../api/types';
import { fixed, whole } from '../lib/format';
import type { Units } from '../measure/units.svelte';
import { VERDICT_LETTERS } from '../lib/verdicts';
import type { OperatingPoint } from './operating-point.svelte';

/** A column of the Line: a station with its row in the core's tables. */
export type Column = Pick<Station, 'key' | 'kind' | 'title' | 'bench'> & { row: number };

/** Returns the stations of one way through the Line. */
export function columnsOf(line: Line, way: Station['way']): Column[] {
  return line.stations.flatMap((station, row) => (station.way === way ? [{ ...station, row }] : []));
}

/** What stands under a station at the operating point. All of it is read from the core's tables. */
export class StationFigures {
  readonly #line: () => Line;
  readonly #ghost: () => Line | null;
  readonly #point: OperatingPoint;
  readonly #units: Units;

  constructor(line: () => Line, ghost: () => Line | null, point: OperatingPoint, units: Units) {
    this.#line = line;
    this.#ghost = ghost;
    this.#point = point;
    this.#units = units;
  }

  rpm({ row }: Column): string {
    return whole(this.#line().rpm[row]?.[this.#point.index]);
  }

  torque({ row }: Column): string {
    return this.#units.num(this.#point.case?.torque_nm[row]?.[this.#point.index], 'N·m', 0);
  }

  verdict(column: Column): Verdict | null {
    const letter = this.#point.case?.verdict[column.row]?.[this.#point.index] ?? '-';
    return VERDICT_LETTERS[letter] ?? null;
  }

  margin(column: Column): string {
    const margin = this.#point.case?.margin[column.row]?.[this.#point.index];
    if (margin === null || margin === undefined) return this.verdict(column) === 'not_known' ? 'rating?' : '';
    if (this.verdict(column) === 'not_known') return '?'; // the margin of a part of what is asked flatters
    return margin >= 10 ? '10+' : fixed(margin, 2);
  }

  /** Torque of the pinned design at the same station and speed, where it is another. */
  ghostTorque(column: Column): string {
    const ghost = this.#ghost();
    const other = ghost?.cases.find((one) => one.key === this.#point.case?.key);
    const row = ghost?.stations.findIndex((station) => station.key === column.key) ?? -1;
    const index = ghost?.speed_kmh.findIndex((speed) => speed >= this.#point.kmh) ?? -1;
    const torque = other?.torque_nm[row]?.[index];
    const now = this.#point.case?.torque_nm[column.row]?.[this.#point.index];
    return torque === null || torque === undefined || torque === now
      ? ''
      : `${this.#units.num(torque, 'N·m', 0)} → `;
  }
}
