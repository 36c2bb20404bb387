/** Releasing a part and signing for what came back: the calls, with the server's refusals as words. */
import type { System } from '../measure/figures';
import { answered, client } from '../api/client';
import type { FeatureRow, Measure, PartResult, Turning } from '../api/types';
import type { SideSeen } from './sides';

export interface Confirmed {
  side: SideSeen;
  runs: Turning | null; // null: the part is its own mirror image
  despite: string;
}

export async function release(
  jobId: string,
  part: PartResult,
  basedOn: number,
  { side, runs, despite }: Confirmed,
): Promise<string> {
  const made = await answered(
    client.POST('/api/jobs/{job_id}/releases', {
      params: { path: { job_id: jobId } },
      body: { based_on: basedOn, part: part.key, side, confirmed_runs: runs, despite },
    }),
  );
  return made.letter;
}

export interface Decision {
  measures: Measure[];
  runsAsDrawn: boolean;
  accepted: boolean;
  why: string;
}

export async function judged(
  jobId: string,
  part: PartResult,
  letter: string,
  measures: Measure[],
): Promise<readonly FeatureRow[]> {
  return answered(
    client.POST('/api/jobs/{job_id}/releases/{part}/{letter}/judge', {
      params: { path: { job_id: jobId, part: part.key, letter } },
      body: { measures },
    }),
  );
}

export async function signed(
  jobId: string,
  part: PartResult,
  letter: string,
  decision: Decision,
): Promise<void> {
  await answered(
    client.POST('/api/jobs/{job_id}/releases/{part}/{letter}/deliveries', {
      params: { path: { job_id: jobId, part: part.key, letter } },
      body: {
        measures: decision.measures,
        runs_as_drawn: decision.runsAsDrawn,
        accepted: decision.accepted,
        why: decision.why,
      },
    }),
  );
}

/** Where the frozen files of a release are: its bytes for the cutter, its dimensioned sheet, its hole table. */
export const releasedFile = (
  part: PartResult,
  letter: string,
  end: '.dxf' | '-sheet.pdf' | '-holes.csv' = '.dxf',
  units: System = 'metric', // a cut file is in mm whoever asks
): string => `releases/${part.key}/${letter}${end}${end === '.dxf' ? '' : `?units=${units}`}`;
