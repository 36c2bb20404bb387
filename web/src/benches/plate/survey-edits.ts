/** Changes to a survey that more than one part of the screen makes. */
import type { Survey, SurveyRead, SurveyReading, SurveyResult } from '../../api/types';
import { endsOf } from './plate.svelte';

/** The readings with a new one; one asked for again takes the place of the one that did not fit. */
export function keptReadings(
  readings: readonly SurveyReading[],
  reading: SurveyReading,
  asked: SurveyResult['next_reading'],
): SurveyReading[] {
  const isAgain =
    asked?.replaces != null &&
    'b' in reading &&
    asked.a === reading.a &&
    asked.b === reading.b &&
    asked.kind === reading.kind;
  if (!isAgain) return [...readings, reading];
  return readings.map((one, k) => (k === asked.replaces ? reading : one));
}

/** The squares, traces and drawings that readings are given in. */
export function framesOf(survey: Survey): string[] {
  return [...new Set(survey.readings.flatMap((one) => ('frame' in one ? [one.frame] : [])))];
}

/** A survey without a hole, and without the readings that went to it. */
export function withoutHole(survey: Survey, id: string): Survey {
  return {
    ...survey,
    holes: survey.holes.filter((hole) => hole.id !== id),
    readings: survey.readings.filter((reading) => !endsOf(reading).includes(id)),
    direction_of: survey.direction_of === id ? null : survey.direction_of,
  };
}

/** A survey with what a file adds to it; readings that the file gives anew for a frame replace those it gave before. */
export function withFile(survey: Survey, read: SurveyRead): Survey {
  const frames = new Set(read.readings.flatMap((one) => ('frame' in one ? [one.frame] : [])));
  const kept = survey.readings.filter((one) => !('frame' in one && frames.has(one.frame)));
  return {
    ...survey,
    holes: [...survey.holes, ...read.holes],
    readings: [...kept, ...read.readings],
    outline: read.outline ?? survey.outline ?? null,
  };
}
