/** The lines of the table that sets gearings side by side. */
import type { Candidate, WasResult } from '../../api/types';
import type { Units } from '../../measure/units.svelte';

export interface CompareRow {
  title: string;
  unit?: string; // metric
  name?: string; // the core's name for it, where it may be not known
  figure: (one: Candidate) => number | null | undefined;
  decimals: number;
  none?: string; // shown where there is no figure
  suffix?: (one: Candidate) => string;
  was?: (was: WasResult) => number | null;
  spread?: string; // the figure's name among the core's spreads
}

export function compareRows(cruiseKmh: number, units: Units): readonly CompareRow[] {
  const speed = (kmh: number) => units.num(kmh, 'km/h', 0);
  const [road, twist] = [units.symbol('km/h'), units.symbol('N·m')];
  return [
    {
      title: `top speed, ${road}`,
      unit: 'km/h',
      name: 'top_kmh',
      figure: (one) => one.top_kmh,
      decimals: 0,
      was: (was) => was.top_kmh,
      spread: 'top_kmh',
    },
    {
      title: `0–${speed(50)} ${road}, s`,
      name: 's_0_50',
      figure: (one) => one.s_0_50,
      decimals: 1,
      none: 'never',
      was: (was) => was.s_0_50,
      spread: 's_0_50',
    },
    {
      title: `0–${speed(100)} ${road}, s`,
      name: 's_0_100',
      figure: (one) => one.s_0_100,
      decimals: 1,
      none: 'never',
      was: (was) => was.s_0_100,
      spread: 's_0_100',
    },
    {
      title: `${speed(80)}–${speed(120)} ${road}, s`,
      name: 's_80_120',
      figure: (one) => one.s_80_120,
      decimals: 1,
      none: 'never',
    },
    {
      title: 'starts laden on, %',
      name: 'hill_start_pct',
      figure: (one) => one.hill_start_pct,
      decimals: 0,
      none: 'any',
      spread: 'hill_start_pct',
    },
    {
      title: `wheels from rest, ${twist}`,
      unit: 'N·m',
      figure: (one) => one.launch_wheel_nm,
      decimals: 0,
      suffix: (one) => (one.launch_held_by_tyres ? ' slips' : ''),
      was: (was) => was.launch_wheel_nm,
    },
    {
      title: `torque falls from, ${road}`,
      unit: 'km/h',
      name: 'falls_from_kmh',
      figure: (one) => one.falls_from_kmh,
      decimals: 0,
    },
    {
      title: `motor at ${speed(cruiseKmh)} ${road}, rpm`,
      figure: (one) => one.cruise_rpm,
      decimals: 0,
      spread: 'cruise_rpm',
    },
    {
      title: 'of continuous, %',
      name: 'cruise_share',
      figure: (one) => (one.cruise_share === null ? null : 100 * one.cruise_share),
      decimals: 0,
    },
    {
      title: `held at ${speed(50)}, good, %`,
      name: 'grade_at_50_pct',
      figure: (one) => one.grade_at_50_pct,
      decimals: 0,
      spread: 'grade_at_50_pct',
    },
    {
      title: 'tightest rating',
      figure: (one) => one.tightest_rating,
      decimals: 2,
      none: 'none known',
    },
    { title: '0–60 mph, s', name: 's_0_60_mph', figure: (one) => one.s_0_60_mph, decimals: 1, none: 'never' },
    { title: '0–30 mph, s', name: 's_0_30_mph', figure: (one) => one.s_0_30_mph, decimals: 1, none: 'never' },
    {
      title: `rotor felt as mass, ${units.symbol('kg')}`,
      unit: 'kg',
      figure: (one) => one.rotor_as_mass_kg,
      decimals: 0,
    },
    { title: 'overall ratio', figure: (one) => one.overall_ratio, decimals: 2 },
  ];
}

export function shownFigure(row: CompareRow, value: number | null | undefined, units: Units): string {
  if (value === null || value === undefined) return row.none ?? '–';
  return units.num(value, row.unit ?? '', row.decimals);
}

/** What one column has more or less than the first; nothing where they show alike. */
export function difference(row: CompareRow, one: Candidate, first: Candidate, units: Units): string {
  const [value, base] = [row.figure(one), row.figure(first)];
  if (value === null || value === undefined || base === null || base === undefined) return '';
  const apart = value - base;
  if (Math.abs(apart) < 0.5 * 10 ** -row.decimals) return '';
  return units.figure(apart, row.unit ?? '', row.decimals, { signed: true, bare: true });
}
