/** Names for the generated types: what the core takes and gives. */
import type { components } from './schema';

type Schemas = components['schemas'];

export type Me = Schemas['Me'];
export type JobLine = Schemas['JobLine'];
export type Job = Schemas['JobOut'];
export type VersionLine = Schemas['VersionLine'];
export type Sheets = Schemas['Sheets'];
export type BriefSheet = Schemas['BriefSheet'];
export type RatiosSheet = Schemas['RatiosSheet'];
export type PlateSheet = Schemas['PlateSheet'];
export type Box = Schemas['Box'];
export type Gearbox = Schemas['Gearbox'];
export type Tyre = Schemas['Tyre'];
export type MotorSheet = Schemas['MotorSheet'];
export type MassesSheet = Schemas['MassesSheet'];
export type MassItem = Schemas['MassItem'];
export type Pick = Schemas['Pick'];
export type Choice = Schemas['Choice'];
export type GearingChoice = Schemas['GearingChoice'];
export type LibraryPart = Schemas['PartOut'];
export type PartContent = Schemas['PartContent'];
export type PartKind = Schemas['PartKind'];
export type PairReading = Schemas['PairReading'];
export type AxisReading = Schemas['AxisReading'];
export type SweepReading = Schemas['SweepReading'];
export type FlangeHole = Schemas['FlangeHole'];
export type Survey = Schemas['Survey'];
export type SurveyRead = Schemas['SurveyRead'];
export type SurveyReading = PlateSheet['survey']['readings'][number];
export type Reading = Schemas['Length'];
export type Quantity = Schemas['Quantity'];
export type Tool = Schemas['Tool'];
export type ReadBack = Schemas['ReadBack'];
export type Typed = Schemas['Typed'];
/** The pieces of an answer that differ from those the screen has. */
export type Answer = Schemas['Answer'];
type Pieces = Required<Omit<Answer, 'keys' | 'line' | 'motion' | 'parts' | 'checks' | 'benches'>>;
/** Everything that follows from a job's sheets: the newest piece of each bench, put together. */
export type JobResult = { [K in keyof Pieces]: NonNullable<Pieces[K]> } & {
  line: Line | null;
  parts: Record<string, readonly PartResult[]>; // by bench
  checks: readonly Check[]; // worst first
  benches: readonly BenchState[];
};
export type Bench = Schemas['BenchOut'];
export type BenchState = Schemas['BenchState'];
export type Check = Schemas['Check'];
export type Sureness = Schemas['Sureness'];
export type WrittenWorking = Schemas['WrittenWorking'];
export type WrittenStep = Schemas['WrittenStep'];
export type WantedMargins = Schemas['WantedMargins'];
export type Verdict = Schemas['Verdict'];
export type Motion = Schemas['Motion'];
export type LineJudged = Schemas['LineJudged'];
/** The Line whole: as it is judged, with its motion. */
export type Line = Omit<LineJudged & Motion, 'cases'> & {
  cases: readonly (LineJudged['cases'][number] & Motion['cases'][number])[];
};
export type Station = Schemas['Station'];
export type Candidate = Schemas['Candidate'];
export type Cloud = Schemas['Cloud'];
export type Must = Schemas['Must'];
export type Mend = Schemas['Mend'];
export type Climb = Schemas['Climb'];
export type WasResult = Schemas['WasResult'];
export type Spread = Schemas['Spread'];
export type MassesResult = Schemas['MassesResult'];
export type RatiosResult = Schemas['RatiosResult'];
export type CouplerSheet = Schemas['CouplerSheet'];
export type CouplerResult = Schemas['CouplerResult'];
export type GapResult = Schemas['GapResult'];
export type Block = Schemas['Block'];
export type SafetyView = Schemas['SafetyView'];
export type Joint = Schemas['Joint'];
export type JointResult = Schemas['JointResult'];
export type PlateResult = Schemas['PlateResult'];
export type PartResult = Schemas['PartResult'];
export type ReleaseState = Schemas['ReleaseState'];
export type Feature = Schemas['Feature'];
export type FeatureRow = Schemas['FeatureRow'];
export type CentreRoute = Schemas['CentreRoute'];
export type Terminals = Schemas['Terminals'];
export type BuildUpResult = Schemas['BuildUpResult'];
export type Measure = Schemas['Measure'];
export type Turning = Schemas['Turning'];
export type SurveyResult = Schemas['SurveyResult'];
export type SurveyReadingResult = Schemas['SurveyReadingResult'];
export type HoleResult = Schemas['HoleResult'];
export type Clocking = Schemas['ClockingResult'];
export type Drawing = Schemas['Drawing'];
export type Entity = Drawing['entities'][number];
export type FieldProblem = Schemas['FieldProblem'];
export type Problem = Schemas['Problem'];
export type Conflict = Schemas['Conflict'];
export type ToDo = Schemas['ToDo'];
export type Assumed = Schemas['Assumed'];
