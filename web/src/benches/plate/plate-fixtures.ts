/** What the tests of the plate bench share: a flange of three holes, its answer, and a part to release. */
import type {
  FlangeHole,
  HoleResult,
  PartResult,
  PlateResult,
  ReleaseState,
  SurveyReading,
  SurveyReadingResult,
  SurveyResult,
} from '../../api/types';

export const HOLES: FlangeHole[] = ['H1', 'H2', 'H3'].map((id) => ({
  id,
  diameter: { text: '10' },
  is_bore: false,
}));
export const BORE: FlangeHole = { id: 'B1', diameter: { text: '118' }, is_bore: true };

export const READ = {
  value: 96.4,
  unit: 'mm',
  u: 0.05,
  inch: '3.795 in',
  fraction: '3 51/64"',
  fraction_error_mm: 0,
};

export function aHole(id: string, x_mm: number, y_mm: number): HoleResult {
  return {
    id,
    x_mm,
    y_mm,
    diameter_mm: 10,
    is_loose: false,
    is_bore: false,
    major_mm: 0.2,
    minor_mm: 0.1,
    angle_deg: 30,
  };
}

export function aReading(change: Partial<SurveyReadingResult> = {}): SurveyReadingResult {
  return {
    label: 'H1–H2',
    kind: 'inside',
    value_mm: 92.4,
    u_mm: 0.05,
    u_is_default: false,
    off_mm: 0.02,
    w: 0.4,
    redundancy: 0.5,
    smallest_shown_mm: 0.3,
    fit: 'fits',
    says: 'Fits the others.',
    ...change,
  };
}

export function aSurvey(change: Partial<SurveyResult> = {}): SurveyResult {
  return {
    holes: [aHole('H1', 100, 0), aHole('H2', -50, 87), aHole('H3', -50, -87)],
    holes_turned_over: [aHole('H1', -100, 0), aHole('H2', 50, 87), aHole('H3', 50, -87)],
    readings: [aReading()],
    says: [],
    redundancy: 2,
    is_settled: true,
    steps: 4,
    last_step_mm: 0,
    chi_square: 1,
    chi_square_limit: 6,
    worst_w: 1,
    centre_u_mm: 0.05,
    about: 'the shaft’s centre',
    next_reading: { kind: 'inside', a: 'H2', b: 'H3', why: 'the next in order', replaces: null },
    routes: [],
    outline: [],
    assumed: [],
    to_do: [],
    ...change,
  };
}

const DRAWING = {
  title: 'Wren: adapter plate',
  seen_from: 'engine side',
  entities: [],
  least_x_mm: -100,
  least_y_mm: -100,
  greatest_x_mm: 100,
  greatest_y_mm: 100,
};

export function aRelease(change: Partial<ReleaseState> = {}): ReleaseState {
  return {
    letter: 'A',
    by: 'owner',
    at: '2026-01-02T09:00:00Z',
    side: 'second',
    sha256: 'ab'.repeat(32),
    has_sheet: false,
    differs: [],
    readings_since: [],
    ...change,
  };
}

export const CUT: NonNullable<PartResult['cut']> = {
  part: 'plate.plate',
  title: 'Adapter plate',
  material: 'aluminium',
  thickness_mm: 10,
  quantity: 2,
  width_mm: 341.2,
  height_mm: 338.9,
  area_cm2: 706,
  cut_length_mm: 1936,
  pierces: 16,
  mass_kg: 1.905,
  per_sheet: 9,
};

export function aPart(change: Partial<PartResult> = {}): PartResult {
  return {
    key: 'plate.plate',
    guards: '',
    held_back: '',
    order: null,
    title: 'Adapter plate',
    look_at: 'gearbox',
    is_handed: true,
    views: [
      { side: 'first', called: 'engine side', drawing: DRAWING },
      { side: 'second', called: 'gearbox side', drawing: { ...DRAWING, seen_from: 'gearbox side' } },
    ],
    hole_table: [
      {
        id: 'H1',
        kind: 'flange',
        x_mm: 100,
        y_mm: 0,
        radius_mm: 100,
        angle_deg: 0,
        left_mm: 200,
        bottom_mm: 120,
        finished_mm: 10,
        cut_mm: 10,
        made: 'cut',
        sure_mm: 0.2,
      },
    ],
    ligaments: [{ a: 'H1', b: 'M1', left_mm: 11.6, wanted_mm: 11 }],
    cut: CUT,
    released: null,
    incoming: [],
    features: [
      { kind: 'inside', a: 'H1', b: 'H2', title: 'H1–H2 inside', expected_mm: 163.2, allowed_mm: 0.5 },
      { kind: 'thickness', a: '', b: '', title: 'thickness', expected_mm: 10, allowed_mm: 0.2 },
    ],
    ...change,
  };
}

export function aPlate(change: Partial<PlateResult> = {}): PlateResult {
  return {
    survey: aSurvey(),
    face_survey: null,
    clocking: null,
    terminals: null,
    build_up: { apart: null, tilt: null, shim_mm: null },
    joints: [],
    registers: [],
    proposals: [],
    section: null,
    hole_names: [],
    threads: [],
    to_do: [],
    ...change,
  };
}

export const pairReading = (a: string, b: string, text = '92.4'): SurveyReading => ({
  kind: 'inside',
  a,
  b,
  reading: { text, tool: 'caliper' },
  left_out: false,
  why: '',
  left_out_by: '',
});
