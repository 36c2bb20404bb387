import { fireEvent, render, screen, within } from '@testing-library/svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { JointResult, PlateSheet, Survey } from '../../api/types';
import { JobEditor } from '../../job/job-editor.svelte';
import { MemoryDrafts, aJob, AN_ANSWER, serve } from '../../test-support';
import TestJob from '../../TestJob.svelte';
import BuildUpFields from './BuildUpFields.svelte';
import Downloads from '../../parts/Downloads.svelte';
import DrawingHead from './DrawingHead.svelte';
import HoleSetup from './HoleSetup.svelte';
import JointFields from './JointFields.svelte';
import MotorPanel from './MotorPanel.svelte';
import {
  aHole,
  aPart,
  CUT,
  aPlate,
  aRelease,
  aSurvey,
  BORE,
  HOLES,
  pairReading,
  READ,
} from './plate-fixtures';
import { PlateState } from './plate.svelte';
import PlateDrawing from './PlateDrawing.svelte';

type BuildUp = PlateSheet['build_up'];
const BUILD: BuildUp = {
  kind: 'one_plate',
  standoffs: { count: 0, first_at: { text: '0 deg' }, measured: [], joint: { crush_tube: false } },
  ring: { on: 'gearbox' },
  base: { rows: [] },
};
const FACE: PlateSheet['face'] = { count: 6, first_at: { text: '0 deg' }, holes: [] };
const type = async (label: string | RegExp, value: string) => {
  const field = screen.getByLabelText(label);
  await fireEvent.input(field, { target: { value } });
  await fireEvent.keyDown(field, { key: 'Enter' });
};

beforeEach(() => {
  localStorage.clear();
  serve({ evaluate: () => ({ json: AN_ANSWER }), measure: () => ({ json: READ }) });
});
afterEach(() => vi.unstubAllGlobals());

describe('BuildUpFields', () => {
  function fields(build: Partial<BuildUp>, built: Partial<ReturnType<typeof aPlate>['build_up']> = {}) {
    const whole = { ...BUILD, ...build };
    const written: BuildUp[] = [];
    const change = (write: (build: BuildUp) => void) => {
      const next = structuredClone(whole);
      write(next);
      written.push(next);
    };
    const result = aPlate({ build_up: { apart: null, tilt: null, shim_mm: null, ...built } });
    render(BuildUpFields, { build: whole, result, disabled: false, change });
    return written;
  }

  it('asks only for what belongs to the build-up that is chosen', async () => {
    const written = fields({});
    expect(screen.queryByLabelText('Standoffs')).toBeNull();
    await fireEvent.change(screen.getByLabelText('Built as'), {
      target: { value: 'two_plates' },
    });
    expect(written[0]?.kind).toBe('two_plates');
  });

  it('asks for the standoffs’ lengths one after the other, and says what to take off', async () => {
    const standoffs = { ...BUILD.standoffs, count: 3, measured: [{ text: '60.2' }] };
    const tilt = { tilt_deg: 0.123, high_at_deg: 90, rock_mm: 0, take_off_mm: [0.2, 0, 0.05] };
    const written = fields({ kind: 'two_plates', standoffs }, { tilt });
    expect(screen.getByLabelText('S2 as measured')).toBeTruthy();
    expect(screen.queryByLabelText('S3 as measured')).toBeNull();
    expect(screen.getByRole('status').textContent?.replace(/\s+/g, ' ')).toContain('S1 0.20, S3 0.05 mm');
    await type('S2 as measured', '60.0');
    await vi.waitFor(() => expect(written[0]?.standoffs.measured).toHaveLength(2));
  });

  it('names rows of foot holes as they are usually chosen, and tells the shim', async () => {
    const rows = [{ name: 'spider as bought', shift: { text: '0' } }];
    const written = fields({ kind: 'base', base: { rows } }, { shim_mm: -1.5 });
    expect(screen.getByText('The motor stands 1.50 mm too high.')).toBeTruthy();
    await fireEvent.click(screen.getByRole('button', { name: 'add a row: spider drilled out' }));
    expect(written[0]?.base.rows.map((row) => row.name)).toEqual(['spider as bought', 'spider drilled out']);
  });

  it('tells how far the faces come to stand apart, at worst', () => {
    const apart = { nominal_mm: 18, worst_mm: 0.4, likely_mm: 0.3, is_sure: true, shares: [] };
    fields({ kind: 'ring' }, { apart });
    expect(screen.getByText(/18.00 mm apart, ± 0.40 at worst/)).toBeTruthy();
  });
});

describe('MotorPanel', () => {
  function panel(face: Partial<PlateSheet['face']> = {}) {
    const sheet = { face: { ...FACE, ...face }, plate: { turned: { text: '0 deg' } } } as PlateSheet;
    const written: PlateSheet[] = [];
    const onsurvey = vi.fn();
    const change = (write: (sheet: PlateSheet) => void) => {
      const next = structuredClone(sheet);
      write(next);
      written.push(next);
    };
    render(MotorPanel, { sheet, result: aPlate(), disabled: false, change, onsurvey });
    return { written, onsurvey };
  }
  const by = (value: string) =>
    fireEvent.change(screen.getByLabelText('Its holes by'), { target: { value } });

  it('begins a survey of the face looking at the motor, and leads there', async () => {
    const { written, onsurvey } = panel();
    await by('survey');
    expect(written[0]?.face.survey).toMatchObject({ seen_from: 'gearbox', holes: [] });
    expect(onsurvey).toHaveBeenCalledOnce();
  });

  it('begins a list of coordinates with one hole, and goes back to the circle without them', async () => {
    const { written } = panel();
    await by('holes');
    expect(written[0]?.face.holes.map((hole) => hole.id)).toEqual(['M1']);
    document.body.innerHTML = '';
    const holes = [{ id: 'M1', x: { text: '10' }, y: { text: '20' } }];
    const back = panel({ holes });
    expect(screen.getByLabelText<HTMLInputElement>('x of M1').value).toBe('10');
    await fireEvent.click(screen.getByRole('button', { name: /add M2/ }));
    expect(back.written[0]?.face.holes).toHaveLength(2);
    await by('circle');
    expect(back.written[1]?.face.holes).toEqual([]);
  });
});

describe('JointFields', () => {
  const RESULT: JointResult = {
    name: 'flange',
    count: 8,
    thread: 'M10',
    clearance_mm: 11,
    needed_in_mm: 12.3,
    shortest_mm: 24.3,
    longest_mm: null,
    stock_mm: [25, 30],
    tightening_nm: 36,
    tightening_is_usual: true,
    preload_n: 24000,
    settles_n: 4323,
    threadlocker: true,
    sleeves: [
      {
        holes: ['H3', 'H7'],
        hole_mm: 12.2,
        outside_mm: 12.1,
        inside_mm: 10.1,
        wall_mm: 1,
        length_mm: 10,
        can_be_turned: true,
      },
    ],
    assumed: [],
  };
  const joint = (result: JointResult, change = vi.fn()) => {
    render(JointFields, {
      title: 'Gearbox screws',
      joint: { crush_tube: false } as PlateSheet['flange_joint'],
      result,
      threads: ['M10'],
      disabled: false,
      change,
    });
    return change;
  };

  it('answers first: which length, how tight, how many, and which sleeve', () => {
    joint(RESULT);
    const says = screen.getByRole('status').textContent ?? '';
    for (const words of [
      '25\u00a0mm or 30\u00a0mm long fits',
      'what is behind is not known',
      '36\u00a0N·m',
      '70 % of proof',
      '8 of them',
    ])
      expect(says).toContain(words);
    expect(screen.getByText(/H3, H7: Ø12.2 mm is loose on M10/).textContent).toContain(
      'Ø12.1 × Ø10.1 × 10.0',
    );
  });

  it('says so where no usual length fits, or a sleeve is too thin to turn', () => {
    const thin = { ...RESULT.sleeves[0]!, wall_mm: 0.4, can_be_turned: false };
    joint({ ...RESULT, stock_mm: [], longest_mm: 24, sleeves: [thin] });
    expect(screen.getByText('No usual length fits')).toBeTruthy();
    expect(screen.getByText(/too thin to turn/)).toBeTruthy();
  });

  it('asks for a sleeve’s strength only where it is clamped', async () => {
    const change = joint(RESULT);
    expect(screen.queryByLabelText('Yield of the sleeves, MPa')).toBeNull();
    await fireEvent.click(screen.getByLabelText(/sleeves are clamped/));
    const written = { crush_tube: false };
    (change.mock.calls[0]?.[0] as (joint: typeof written) => void)(written);
    expect(written.crush_tube).toBe(true);
  });
});

describe('HoleSetup', () => {
  const SURVEY: Survey = {
    seen_from: 'engine',
    numbered: 'anticlockwise',
    holes: [...HOLES, BORE],
    readings: [pairReading('H1', 'H2'), pairReading('H2', 'H3')],
    direction_at: { text: '0 deg' },
    scaled_frames: [],
  };
  function setup(isFace = false) {
    const written: Survey[] = [];
    const change = (write: (survey: Survey) => void) => {
      const next = structuredClone(SURVEY);
      write(next);
      written.push(next);
    };
    render(HoleSetup, { survey: SURVEY, result: aSurvey(), isFace, disabled: false, change });
    return written;
  }

  it('numbers holes and bores apart', async () => {
    const written = setup();
    await fireEvent.input(screen.getByLabelText('H4, diameter'), { target: { value: '10.5' } });
    await fireEvent.click(screen.getByRole('button', { name: 'add the hole' }));
    await vi.waitFor(() => expect(written[0]?.holes.at(-1)).toMatchObject({ id: 'H4', is_bore: false }));
    await fireEvent.click(screen.getByLabelText(/a bore about the shaft/));
    expect(screen.getByLabelText('B2, diameter')).toBeTruthy();
  });

  it('takes a hole away with its readings, and never sets the angle by a bore', async () => {
    const written = setup();
    await fireEvent.click(screen.getByRole('button', { name: 'Take H2 and its readings away' }));
    expect(written[0]?.readings).toEqual([]);
    const directions = within(screen.getByLabelText('Set by')).getAllByRole('option');
    expect(directions.map((option) => option.textContent)).toEqual(['H1', 'H2', 'H3']);
  });

  it('does not ask which side a motor’s face is looked at from', () => {
    setup(true);
    expect(screen.queryByLabelText('Looked at from')).toBeNull();
    expect(screen.getByText(/the program turns it over for the plate/)).toBeTruthy();
  });
});

describe('PlateDrawing and its head', () => {
  const entities = [
    { shape: 'circle', layer: 'CUT', part: 'motor:M1', x_mm: 134, y_mm: 0, radius_mm: 5.5 },
    {
      shape: 'text',
      layer: 'MARK',
      part: 'engraved:face',
      x_mm: 0,
      y_mm: 9,
      height_mm: 4,
      text: 'THIS SIDE TO MOTOR',
      centred: true,
      turned_deg: 0,
    },
    {
      shape: 'text',
      layer: 'NOTES',
      part: 'note',
      x_mm: 0,
      y_mm: -200,
      height_mm: 5,
      text: 'a note',
      centred: false,
      turned_deg: 0,
    },
  ] as ReturnType<typeof aPart>['views'][number]['drawing']['entities'];
  const views = aPart().views.map((view) => ({ ...view, drawing: { ...view.drawing, entities } }));
  const part = aPart({ views, released: aRelease() });
  const terminals = { at_deg: 90, arc_deg: 50, from_deg: 50, to_deg: 140 };
  const loose = { ...aHole('H2', -50, 87), is_loose: true, major_mm: null, minor_mm: null, angle_deg: null };
  const result = aPlate({
    terminals,
    survey: aSurvey({ holes: [aHole('H1', 100, 0), loose] }),
  });

  function drawing(onturn: ((deg: number) => void) | null = null) {
    const plate = new PlateState(
      () => result,
      () => [part],
    );
    const props = { result, plate, readings: [pairReading('H1', 'H2')], turnedDeg: -5, ghost: null, onturn };
    return { plate, ...render(PlateDrawing, props) };
  }

  it('draws what is engraved and where the terminals lie, and leaves the notes to the paper', () => {
    drawing();
    expect(screen.getByText('THIS SIDE TO MOTOR')).toBeTruthy();
    expect(screen.getByText('terminals')).toBeTruthy();
    expect(screen.queryByText('a note')).toBeNull();
    expect(screen.getByText('H2?')).toBeTruthy(); // loose
    expect(screen.getByText('turned −5.0°')).toBeTruthy();
  });

  it('lets the motor be turned with the arrow keys, and not by a viewer', async () => {
    const onturn = vi.fn();
    const { unmount } = drawing(onturn);
    await fireEvent.keyDown(screen.getByRole('slider', { name: 'Motor turned, degrees' }), {
      key: 'ArrowUp',
    });
    expect(onturn).toHaveBeenCalledWith(-4.5);
    unmount();
    drawing();
    expect(screen.getByRole('slider', { name: 'Motor turned, degrees' }).tabIndex).toBe(-1);
  });

  it('picks a hole by the keyboard', async () => {
    const { plate } = drawing();
    await fireEvent.keyDown(screen.getByRole('button', { name: 'H1: its readings' }), { key: 'Enter' });
    expect(plate.pickedHole).toBe('H1');
  });

  it('says in its head which side is seen and how it stands to its release', async () => {
    const plate = new PlateState(
      () => result,
      () => [part],
    );
    render(DrawingHead, { plate });
    expect(screen.getByRole('heading', { name: 'Seen from the engine side' })).toBeTruthy();
    expect(screen.getByText('as released A')).toBeTruthy();
    await fireEvent.click(screen.getByRole('button', { name: 'Turn over to the gearbox side' }));
    expect(plate.side).toBe('second');
  });
});

describe('Downloads', () => {
  it('offers a nest only where a sheet takes the part, and saves edits before a file is fetched', async () => {
    const sent = serve({
      evaluate: () => ({ json: AN_ANSWER }),
      '/versions': () => ({
        status: 201,
        json: { number: 4, author: 'fabricator', saved_at: '2026-01-02T10:00:00Z' },
      }),
    });
    const clicked = vi.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(() => {});
    const editor = new JobEditor(aJob(), 'fabricator', new MemoryDrafts(), null);
    const props = { side: 'second', part: aPart({ cut: { ...CUT, per_sheet: null } }) };
    render(TestJob as never, { props: { editor, part: Downloads, props } } as never);
    const offered = within(screen.getByLabelText('More files')).getAllByRole('option');
    expect(offered.map((option) => option.textContent)).not.toContain('Nested DXF');
    editor.edit((sheets) => (sheets.brief.vehicle.kerb_mass = { text: '1100 kg' }));
    await fireEvent.click(screen.getByRole('button', { name: 'DXF' }));
    await vi.waitFor(() => expect(clicked).toHaveBeenCalledOnce());
    expect(sent.filter((call) => call.path.includes('/versions'))).toHaveLength(1);
    expect((clicked.mock.contexts[0] as HTMLAnchorElement).href).toContain(
      '/drawings/plate.plate.dxf?side=second',
    );
    clicked.mockRestore();
  });
});
