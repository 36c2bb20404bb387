import { Units } from '../measure/units.svelte';
import { describe, expect, it } from 'vitest';
import type { Line } from '../api/types';
import { aLine } from '../test-support';
import { OperatingPoint } from './operating-point.svelte';
import { columnsOf, StationFigures } from './station-figures.svelte';

/** Motor and unit, then a propshaft to each axle. */
function branched(): Line {
  const line = aLine();
  const station = (key: string, way: 'trunk' | 'front' | 'rear') => ({
    ...line.stations[0]!,
    key: way === 'trunk' ? key : `${way}.${key}`,
    kind: key,
    way,
  });
  return {
    ...line,
    stations: [station('motor', 'trunk'), station('propshaft', 'front'), station('propshaft', 'rear')],
  };
}

describe('columns of the Line', () => {
  it('go by way, each with its own row of the tables', () => {
    const line = branched();
    expect(columnsOf(line, 'trunk').map((column) => [column.key, column.row])).toEqual([['motor', 0]]);
    expect(columnsOf(line, 'rear').map((column) => [column.key, column.row])).toEqual([
      ['rear.propshaft', 2],
    ]);
  });
});

describe('StationFigures', () => {
  const point = (line = branched()) => {
    const made = new OperatingPoint(() => line);
    made.moveTo(40);
    return made;
  };

  it('reads speed, torque, margin and verdict at the operating point', () => {
    const line = branched();
    const figures = new StationFigures(
      () => line,
      () => null,
      point(),
      new Units(),
    );
    const [motor] = columnsOf(line, 'trunk');
    const [rear] = columnsOf(line, 'rear');
    expect([figures.rpm(motor!), figures.torque(motor!)]).toEqual(['200', '200']);
    expect([figures.margin(motor!), figures.verdict(motor!)]).toEqual(['1.05', 'tight']);
    expect([figures.margin(rear!), figures.verdict(rear!)]).toEqual(['rating?', 'not_known']);
  });

  it('shows no margin where a part of what is asked is not known', () => {
    const line = branched();
    line.cases = line.cases.map((one) => ({ ...one, verdict: ['????', ...one.verdict.slice(1)] }));
    const figures = new StationFigures(
      () => line,
      () => null,
      point(line),
      new Units(),
    );
    expect(figures.margin(columnsOf(line, 'trunk')[0]!)).toBe('?');
  });

  it('says what the pinned design had at the same place, and nothing where it is alike', () => {
    const line = branched();
    const ghost = {
      ...line,
      cases: line.cases.map((one) => ({ ...one, torque_nm: [[0, 50, 70, 90], ...one.torque_nm.slice(1)] })),
    };
    const figures = new StationFigures(
      () => line,
      () => ghost,
      point(),
      new Units(),
    );
    expect(figures.ghostTorque(columnsOf(line, 'trunk')[0]!)).toBe('70 → ');
    expect(figures.ghostTorque(columnsOf(line, 'front')[0]!)).toBe('');
  });

  it('shows nothing where nothing is asked, and no speed of what does not turn', () => {
    const line = { ...branched(), rpm: [null, ...branched().rpm.slice(1)] };
    line.cases = line.cases.map((one) => ({
      ...one,
      margin: [[null, null, null, null], ...one.margin.slice(1)],
      verdict: ['....', ...one.verdict.slice(1)],
    }));
    const figures = new StationFigures(
      () => line,
      () => null,
      point(line),
      new Units(),
    );
    const [column] = columnsOf(line, 'trunk');
    expect([figures.verdict(column!), figures.margin(column!), figures.rpm(column!)]).toEqual([
      null,
      '',
      '–',
    ]);
  });
});
