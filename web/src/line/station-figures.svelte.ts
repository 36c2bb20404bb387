import type { Check, Line, Station, Verdict } from '../api/types';
import { fixed, whole } from '../lib/format';
import { VERDICT_LETTERS } from '../lib/verdicts';
import type { OperatingPoint } from './operating-point.svelte';

/** A column of the Line: a station, or the plate, which does not turn and so has no row in the core's tables. */
export interface Column {
  key: string;
  kind: string;
  title: string;
  bench: string;
  row: number | null;
}

/** Returns the stations of one way through the Line, the plate standing behind the motor it is bolted to. */
export function columnsOf(line: Line, way: Station['way']): Column[] {
  const turning = line.stations.flatMap((station, row) =>
    station.way === way
      ? [{ key: station.key, kind: station.kind, title: station.title, bench: station.bench, row }]
      : [],
  );
  if (!turning.some((column) => column.kind === 'coupler')) return turning;
  const plate = { key: 'plate', kind: 'plate', title: 'Adapter plate', bench: 'plate', row: null };
  return [...turning.slice(0, 1), plate, ...turning.slice(1)];
}

/** What stands under a station at the operating point. All of it is read from the core's tables. */
export class StationFigures {
  readonly #line: () => Line;
  readonly #ghost: () => Line | null;
  readonly #checks: () => readonly Check[];
  readonly #point: OperatingPoint;

  constructor(
    line: () => Line,
    ghost: () => Line | null,
    checks: () => readonly Check[],
    point: OperatingPoint,
  ) {
    this.#line = line;
    this.#ghost = ghost;
    this.#checks = checks;
    this.#point = point;
  }

  rpm({ row }: Column): string {
    return whole(row === null ? null : this.#line().rpm[row]?.[this.#point.index]);
  }

  torque({ row }: Column): string {
    return whole(row === null ? null : this.#point.case?.torque_nm[row]?.[this.#point.index]);
  }

  verdict(column: Column): Verdict | null {
    if (column.row === null) return this.#worstOfPlate?.verdict ?? null;
    const letter = this.#point.case?.verdict[column.row]?.[this.#point.index] ?? '-';
    if (letter === '?') return column.kind === 'coupler' || column.kind === 'wheel' ? null : 'not_known';
    return VERDICT_LETTERS[letter] ?? null;
  }

  margin(column: Column): string {
    if (column.row === null) return this.#worstOfPlate?.margin ? fixed(this.#worstOfPlate.margin, 2) : '';
    const margin = this.#point.case?.margin[column.row]?.[this.#point.index];
    if (margin === null || margin === undefined) return 'rating?';
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
    const now = column.row === null ? null : this.#point.case?.torque_nm[column.row]?.[this.#point.index];
    return torque === null || torque === undefined || torque === now ? '' : `${whole(torque)} → `;
  }

  get #worstOfPlate(): Check | undefined {
    return this.#checks().find((check) => check.bench === 'plate');
  }
}
