import { fireEvent, render, screen, within } from '@testing-library/svelte';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { PlateResult, PlateSheet, Sheets, Survey, SurveyRead } from '../../api/types';
import { JobEditor } from '../../job/job-editor.svelte';
import { MemoryDrafts, aJob, AN_ANSWER, serve } from '../../test-support';
import TestJob from '../../TestJob.svelte';
import CentreRoutes from './CentreRoutes.svelte';
import ClockingPlot from './ClockingPlot.svelte';
import { aPart, aPlate, aReading, aSurvey, HOLES, pairReading, READ } from './plate-fixtures';
import { PlateState } from './plate.svelte';
import SurveyFile from './SurveyFile.svelte';
import SurveyPanel from './SurveyPanel.svelte';

const SURVEY: Survey = {
  seen_from: 'engine',
  numbered: 'anticlockwise',
  holes: HOLES,
  readings: [pairReading('H1', 'H2'), pairReading('H2', 'H3', '3 5/8 in')],
  direction_at: { text: '0 deg' },
  scaled_frames: [],
};
const button = (name: string | RegExp) => screen.getByRole('button', { name });

afterEach(() => vi.unstubAllGlobals());

describe('SurveyPanel', () => {
  function panel(result: PlateResult, face: Partial<PlateSheet['face']> = {}) {
    localStorage.clear(); // or the edits of the test before come back
    serve({ evaluate: () => ({ json: AN_ANSWER }), measure: () => ({ json: READ }) });
    const job = aJob();
    const sheet = { survey: SURVEY, face } as PlateSheet;
    job.version.sheets = { ...job.version.sheets, plate: sheet } as Sheets;
    const editor = new JobEditor(job, 'fabricator', new MemoryDrafts(), null);
    const plate = new PlateState(
      () => result,
      () => [aPart()],
    );
    const props = { sheet, plate, disabled: false, onphone: false };
    render(TestJob as never, { props: { editor, part: SurveyPanel, props } } as never);
    return { editor, plate };
  }
  const suspect = aPlate({
    survey: aSurvey({
      readings: [
        aReading(),
        aReading({ label: 'H2–H3', fit: 'suspect', off_mm: 1.9, says: 'looks 1.9 mm long' }),
      ],
      says: ['H2–H3 looks 1.9 mm long; measure it again.'],
      next_reading: { kind: 'inside', a: 'H2', b: 'H3', why: 'the last one does not fit', replaces: 1 },
    }),
  });

  it('names the wrong reading first, and puts the cursor in it to be typed again', async () => {
    const { editor } = panel(suspect);
    expect(screen.getByText('▲ H2–H3 looks 1.9 mm long; measure it again.')).toBeTruthy();
    await fireEvent.click(button('Measure H2–H3 again'));
    const cell = screen.getByLabelText<HTMLInputElement>('Reading H2–H3');
    expect(document.activeElement).toBe(cell);
    await fireEvent.input(cell, { target: { value: '96.4' } });
    await fireEvent.blur(cell);
    await vi.waitFor(() =>
      expect(editor.sheets.plate.survey.readings[1]).toMatchObject({ reading: { text: '96.4' } }),
    );
  });

  it('puts the reading that was asked for again in the place of the wrong one', async () => {
    const { editor } = panel(suspect);
    await fireEvent.input(screen.getByLabelText('New reading, H2 to H3'), { target: { value: '96.4' } });
    await fireEvent.submit(screen.getByRole('form', { name: 'New reading' }));
    await vi.waitFor(() =>
      expect(editor.sheets.plate.survey.readings[1]).toMatchObject({ reading: { text: '96.4' } }),
    );
    expect(editor.sheets.plate.survey.readings).toHaveLength(2);
  });

  it('asks why a reading is left out, and keeps who and why with it', async () => {
    const { editor } = panel(suspect);
    await fireEvent.click(button('Leave it out'));
    const dialog = within(await screen.findByRole('dialog', { name: 'Leave H2–H3 out' }));
    await fireEvent.input(dialog.getByLabelText('Why?'), { target: { value: 'jaws slipped' } });
    await fireEvent.click(dialog.getByRole('button', { name: 'Leave it out' }));
    expect(editor.sheets.plate.survey.readings[1]).toMatchObject({
      left_out: true,
      why: 'jaws slipped',
      left_out_by: 'fabricator',
    });
  });

  it('strikes a reading that is left out through, and takes it back at a click', async () => {
    const { editor } = panel(
      aPlate({
        survey: aSurvey({ readings: [aReading({ fit: 'left_out', says: 'Left out by owner: burr' })] }),
      }),
    );
    const row = screen.getByRole('row', { name: /^H1–H2/ });
    expect([row.className.includes('line-through'), row.title]).toEqual([true, 'Left out by owner: burr']);
    await fireEvent.click(button('Take H1–H2 back in'));
    expect(editor.sheets.plate.survey.readings[0]).toMatchObject({
      left_out: false,
      why: '',
      left_out_by: '',
    });
  });

  it('edits the motor’s own survey while that is looked at', async () => {
    const { editor, plate } = panel(aPlate({ face_survey: aSurvey({ readings: [] }) }), {
      survey: { ...SURVEY, readings: [] },
    });
    plate.asked = 'face';
    await screen.findByText('Where the motor’s holes are');
    await fireEvent.input(screen.getByLabelText('New reading, H2 to H3'), { target: { value: '96.4' } });
    await fireEvent.submit(screen.getByRole('form', { name: 'New reading' }));
    await vi.waitFor(() => expect(editor.sheets.plate.face.survey?.readings).toHaveLength(1));
    expect(editor.sheets.plate.survey.readings).toHaveLength(2);
  });
});

describe('SurveyFile', () => {
  const ontake = vi.fn<(read: SurveyRead) => void>();
  const FOUND = {
    holes: HOLES,
    readings: [pairReading('H1', 'H2')],
    outline: null,
    notes: ['Inches were turned.'],
  };
  async function read(answer: { status?: number; json: unknown }) {
    ontake.mockClear();
    vi.stubGlobal(
      'fetch',
      vi.fn(() =>
        Promise.resolve(
          new Response(JSON.stringify(answer.json), {
            status: answer.status ?? 200,
            headers: { 'Content-Type': 'application/json' },
          }),
        ),
      ),
    );
    render(SurveyFile, { survey: SURVEY, isFace: false, ontake });
    const file = new File(['id,x_mm,y_mm'], 'card.csv', { type: 'text/csv' });
    await fireEvent.change(screen.getByLabelText('Read a DXF or CSV file…'), { target: { files: [file] } });
  }

  it('tells what is in it before anything is taken', async () => {
    await read({ json: FOUND });
    const found = await screen.findByText(/card.csv: 3 new holes, 1 readings/);
    expect(found).toBeTruthy();
    expect(screen.getByText('Inches were turned.')).toBeTruthy();
    expect(ontake).not.toHaveBeenCalled();
    await fireEvent.click(button('Take them'));
    expect(ontake).toHaveBeenCalledWith(FOUND);
    expect(screen.queryByText(/card.csv: 3 new holes/)).toBeNull();
  });

  it('says why a file is refused, and that nothing was changed', async () => {
    await read({ status: 422, json: { status: 422, says: 'Row 3: H1 comes twice.', fields: [] } });
    const says = (await screen.findByRole('alert')).textContent;
    expect(says).toContain('card.csv: Row 3: H1 comes twice. Nothing was changed.');
    expect(ontake).not.toHaveBeenCalled();
  });
});

describe('ClockingPlot', () => {
  const clocking = {
    angle_deg: [0, 90, 180, 270],
    share: [0.5, 1.4, 0.8, 1.1],
    windows: [{ from_deg: 340, to_deg: 380 }],
    allowed: [],
    whatever_angle: '',
    closest: ['H1 and M1', 'H2 and M1', 'H3 and M2', 'H4 and M2'],
    best_deg: 90,
    best_share: 1.4,
    is_settled: true,
    best_turn_deg: 90,
    present_deg: 0,
    present_turn_deg: 0,
  };

  it('says which two holes bar the present angle, and what is best', () => {
    render(ClockingPlot, { clocking, onturn: null });
    expect(screen.getByText(/0°: H1 and M1 nearest, 0.50 of what is wanted, barred/)).toBeTruthy();
    expect(screen.getByText(/best 90.00°: 1.40/)).toBeTruthy();
  });

  it('draws a window that passes 360° in two parts, and turns the motor to where it is clicked', async () => {
    const onturn = vi.fn();
    const { container } = render(ClockingPlot, { clocking, onturn });
    expect(container.querySelectorAll('rect')).toHaveLength(2);
    await fireEvent.click(screen.getByRole('img'), { clientX: 12 });
    expect(onturn).toHaveBeenCalledWith(0);
    expect(container.textContent).not.toContain('terminals fit');
  });

  it('marks where the terminals fit', () => {
    render(ClockingPlot, {
      clocking: { ...clocking, allowed: [{ from_deg: 20, to_deg: 60 }] },
      onturn: null,
    });
    expect(screen.getByText(/bar: terminals fit/)).toBeTruthy();
  });
});

describe('CentreRoutes', () => {
  it('puts the routes side by side, and says which does not settle it alone', () => {
    const routes = [
      { name: 'radii from the holes', readings: 8, x_mm: -0.12, y_mm: 0.04, apart_mm: 0.13, sure_mm: 0.19 },
      { name: 'indicator sweep', readings: 1, x_mm: null, y_mm: null, apart_mm: null, sure_mm: null },
    ];
    render(CentreRoutes, { survey: aSurvey({ routes }) });
    const table = within(screen.getByRole('table', { name: /route by route/ }));
    expect(table.getByRole('row', { name: /radii from the holes/ }).textContent).toContain('−0.12');
    expect(table.getByText('does not settle it alone')).toBeTruthy();
  });

  it('tells the three ways there while it is not settled', () => {
    render(CentreRoutes, { survey: aSurvey({ centre_u_mm: null }) });
    expect(screen.getByText(/Not settled yet. Three ways there/)).toBeTruthy();
  });
});
