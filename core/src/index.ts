/** The public surface of core: what the server, the web and the command line may use. */

// units
export { minutesOfMoment } from './units/moment.ts';
export { capital } from './units/capital.ts';
export { clockTime, datedTime, dayText, formatMinutes, type WorkStart } from './units/duration.ts';
export { formatFact, quantityOf } from './units/facts.ts';
export { QUANTITIES, formatNumber, formatQuantity, toShown, toStored } from './units/quantities.ts';
export type { Quantity, UnitSystem } from './units/quantities.ts';

// wording
export { allowedIf, say, sayAgain, type Stored } from './wording/say.ts';
export type { Reason, Source } from './wording/reason.ts';

// materials
export { GRADES, explainGrade, grainUm, isCoarser, readGrade } from './materials/grades.ts';
export type { Grade } from './materials/grades.ts';
export { GENERIC_SHELF } from './materials/generic-shelf.ts';
export {
  LAYER_KINDS,
  LAYER_KIND_NAMES,
  FINDABLE_KINDS,
  isBody,
  isSolid,
  isTopcoat,
  labelOf,
} from './materials/layer-kinds.ts';
export type { LayerKind } from './materials/layer-kinds.ts';
export { HAZARDS, sheetSchema, type ProductSheet } from './materials/sheet.ts';
export { asMode } from './materials/modes.ts';
export { FORMS, formOf, isTwoPack, type ProductForm, type SheetMode } from './materials/sheet.ts';
export {
  GUN_KINDS,
  gunFor,
  gunsOf,
  isUsualGun,
  tipFor,
  type Compressor,
  type Gun,
  type GunSetup,
  type ShopBlock,
  type Heater,
  type MixingCup,
} from './materials/equipment.ts';
export { cupStripPdf, placedMarks, type PlacedMark } from './formats/cup-strip.ts';
export { sheetIdOf } from './materials/modes.ts';
export {
  bookingOf,
  byProduct,
  canMoveSchema,
  canSchema,
  canState,
  leftAfter,
  ownCansOf,
  cansToBuy,
  usableLeftMl,
  type Can,
  type CanMove,
  type CanMoveView,
  type CanState,
  type CanView,
  type CansToBuy,
  type Need,
  type Wanted,
} from './materials/stock.ts';
export { SHEET_COLUMNS, rowOfSheet, sheetOfRow, type ReadRow } from './formats/sheets-table.ts';
export {
  SHEET_NUMBERS,
  sheetField,
  type SheetFieldRow,
  type SheetNumberPath,
} from './materials/sheet-fields.ts';
export { isOfMode } from './materials/sheet.ts';
export { slipsOf, type Slip } from './materials/sheet-slips.ts';

// survey
export { findingWords, newFinding, type Finding } from './survey/finding.ts';
export { FINDING_KINDS, findingRow, type FindingField, type FindingKind } from './survey/findings.ts';
export { MOST_BORDERS, panelFactsSchema, panelSchema } from './survey/panel.ts';
export type { Panel, PanelBorder, PanelFacts } from './survey/panel.ts';
export { patchesOf, readArea } from './survey/patches.ts';
export { reachMmOf, withPatchAt, withPatchReach } from './survey/marks.ts';
export type { PanelPatch } from './survey/patches.ts';
export { crownOf, roleOf } from './survey/zone-facts.ts';
export { spansAlong, usualCut } from './survey/cut.ts';
export type { CutLine, CutSpan } from './survey/cut.ts';
export {
  sizeFor,
  withFreeOutline,
  withNewZone,
  withOutline,
  withShape,
  withSurveyOf,
  withZoneOnTop,
  withoutZone,
} from './survey/drawing.ts';
export { countOfLines, drawnLines, withLine, withNewLine } from './survey/body-lines.ts';
export { joinableWith, middleLine, turned, withJoinedZones, withSplitZone } from './survey/parting.ts';
export { OUTLINES, OUTLINE_KINDS, outlineOf } from './survey/outlines.ts';
export type { OutlineKind } from './survey/outlines.ts';
export { boundsOf } from './survey/polygon.ts';
export { beyondShare, regionsOf, shapeProblems } from './survey/regions.ts';
export type { Region } from './survey/regions.ts';
export { drawnShape, movedOnto, snapped, withCorner } from './survey/shaping.ts';
export { innerPlace, type InnerPlace } from './survey/inner-place.ts';
export { contradictionsOf } from './survey/contradictions.ts';
export { schoolsInPlay } from './survey/schools-in-play.ts';
export { SCHOOLS, schoolOf, schoolsSchema, sideText } from './survey/schools.ts';
export type { SchoolName, Schools } from './survey/schools.ts';
export { SHOP_RULES, SHOP_RULE_GROUPS } from './survey/shop-rules.ts';
export { QUALITIES } from './survey/qualities.ts';
export type { Quality } from './survey/qualities.ts';
export { shopThingsSchema, withThings, type ShopThings } from './survey/shop-things.ts';
export { shopSchema, targetSchema } from './survey/shop.ts';
export type { Shop, Target } from './survey/shop.ts';
export {
  TEST_FORMS,
  TEST_KINDS,
  gaugeFigures,
  meaningOf,
  readReadings,
  withTest,
  withoutTest,
} from './survey/test-guide.ts';
export type { TestForm, TestKind, ZoneTest } from './survey/test-guide.ts';
export { FACES, ROLES, idSchema, withLayers, zoneSchema } from './survey/zone.ts';
export type { Polygon, Role, SurveyLayer, Zone } from './survey/zone.ts';

// models
export { dewMarginKelvin, dewPointCelsius } from './climate/dew.ts';
export { dewMarginOf } from './climate/dew-margin.ts';
export { conversionAfter, fullCureMin } from './climate/cure.ts';
export { solventFlashFactor, waterFlashFactor } from './climate/flash.ts';
export { sprayVolumeMl, wetFilmUm } from './film/coverage.ts';
export { PUCK_HEIGHT_MM, fillerMix, hardenerLineMm, puckMmOf } from './film/filler-mix.ts';
export { percentForSeconds, type FlowReading } from './film/flow-cup.ts';
export { compressorKeeps, paceMPerS, type Keeping } from './film/gun.ts';
export {
  bandsOfColor,
  bandsOfGrey,
  bandsOfHex,
  contrastOfCoats,
  hexOfBands,
  hidingOver,
  hidingOverColor,
  undertonesFor,
  type Color,
  type ToneOffer,
  type Undertones,
} from './film/hiding.ts';
export { RESCUE_TOLERANCE_PERCENT, askedTolerance, rescueOf, type Rescue } from './film/rescue.ts';
export { mixByVolume } from './film/mix.ts';
export {
  alongWallMm,
  cupMarkMm,
  cupVolumeMl,
  cupsFor,
  printedReading,
  usableMl,
  type Cup,
} from './film/cup.ts';
export {
  EVEN_PACE_M_PER_S,
  airVerdict,
  coatOfGun,
  gunSetup,
  type AirVerdict,
  type GunSetupResult,
  type TipVerdict,
} from './film/gun-setup.ts';
export { guidePour, type Guide } from './film/pour-guide.ts';
export { colorText, readColor } from './film/color-text.ts';
export { baseCoatOver } from './operations/undertone.ts';
export { PAST_EDGE_MM, passMetres, passesOver, type Pass } from './film/passes.ts';
export { TOOLS, type Tool } from './materials/tools.ts';
export {
  bestLadder,
  ladderOf,
  scratchOf,
  type Ladder,
  type LadderStep,
  type LadderTask,
  type Rung,
  type Surface,
} from './surface/ladder.ts';
export { SANDED_MATERIALS, type SandedMaterial } from './materials/sanded-material.ts';
export { scratchDepthUm } from './surface/scratch.ts';
export { telegraph } from './surface/telegraph.ts';

export { sandingFiguresOf, type SandingFigures } from './surface/figures.ts';
export { readingFigures } from './surface/readings.ts';

// blocking
export { BLOCKS, blockOf, prestonMm3PerNm, type Block } from './blocking/block.ts';
export { dustGuideCoat, type Field } from './blocking/field.ts';
export {
  blocksFor,
  bestBlock,
  blockPanel,
  buildNeededUm,
  forecast,
  levelPoint,
  verdictAt,
  type BlockForecast,
  type BuildVerdict,
  type ForecastPoint,
  type ForecastTask,
} from './blocking/forecast.ts';
export { forecastField } from './blocking/forecast-field.ts';
export type { Misfit } from './blocking/misfit.ts';
export { feltProfile, lookOver, type Outcome } from './blocking/outcome.ts';
export {
  PRACTICE_PANELS,
  PRACTICE_SIZE,
  practiceField,
  type PracticePanel,
} from './blocking/practice-panels.ts';
export { NEAR_SHARE, Sander, STEP_MM } from './blocking/sander.ts';
export { LONGEST_HERE_MM, SCORED_INSET, isStiffAlong, scoreOf, type Score } from './blocking/score.ts';
export { StrokeLog, type ToolUsed } from './blocking/story.ts';
export { holdFor, xPass } from './blocking/strokes.ts';
export { spansOf } from './blocking/underside.ts';

export { readingsOfTable, type ReadTable } from './formats/readings-table.ts';

export { grouped } from './units/grouped.ts';
export { amountOf, centsOf } from './units/money.ts';
export { numberProblem, readNumber } from './units/numbers.ts';
export { canonical, isSameJson } from './units/canonical.ts';
export {
  editOf,
  conflictsOf,
  inverseOf,
  isEmpty,
  panelEditSchema,
  rebased,
  withEdit,
  type Conflict,
  type PanelEdit,
} from './survey/panel-edit.ts';

// planner
export { filmVerdict, measuredBuild, type FilmVerdict, type MeasuredBuild } from './planner/film-verdict.ts';
export { forecastTaskOf } from './planner/forecast-task.ts';
export { showingOf, type Showing, type ShowVerdict, type WhatIf } from './planner/ladder-verdict.ts';
export {
  sandingRunLabel,
  type SandingRun,
  type SandingOfPlan,
  type ZoneBuild,
} from './planner/sanding-of-plan.ts';
export { assumedFilms, foundStacks } from './planner/found.ts';
export { assumedUm } from './operations/survey-state.ts';
export { measuredFilmUm } from './planner/measured-film.ts';
export { planJob } from './planner/plan-job.ts';
export { shelfOf } from './planner/shelf.ts';
export { needsOf, type OpenPlan } from './planner/needs.ts';
export { quoteOf, type Quote } from './planner/quote.ts';
export type { SprayArea, SprayTask } from './planner/spray-tasks.ts';
export { combinedPour, potOf, shoppingOf, type Pour, type Shopping } from './planner/pours.ts';
export { planPanel } from './planner/plan-panel.ts';
export { makePlan } from './planner/make-plan.ts';
export { otherProducts, type OtherProduct, type OtherProducts } from './planner/other-products.ts';
export { openPlan, type OpenedPlan } from './planner/view-plan.ts';
export { standingsOf, stepsOnlyIn, type Standing } from './planner/compare-systems.ts';
export { withOwnLadder } from './planner/own-ladder.ts';
export { isPast, startAgain, type DatedStart } from './planner/work-start.ts';
export { choiceAfter, isFallen, type Choice } from './planner/carry-choice.ts';
export {
  OWN,
  PLAN_FORMAT,
  storedPlanOf,
  takenProductsSchema,
  type StoredPlan,
} from './planner/stored-plan.ts';
export {
  changesSince,
  isShopChanged,
  rulesInPlan,
  type PlanInput,
  type ShopInPlan,
} from './planner/plan-changes.ts';
export type { PlanTask } from './planner/bench-of-task.ts';
export { decidingTests, planWithTests } from './planner/deciding-tests.ts';
export { judgeTask } from './planner/judge-task.ts';
export type { JudgedStep, Judgement } from './planner/judge-sequence.ts';
export { isSandOp, actInputsSchema } from './planner/act-input.ts';
export { ownSequenceSchema, type ActInput, type OwnSequence } from './planner/act-input.ts';
export { OPS } from './operations/act.ts';
export type { OpName } from './operations/act.ts';
export {
  isForPlastic,
  standIns,
  standsById,
  workOf,
  workWords,
  worksMissing,
} from './materials/product-work.ts';
export { isChosenWork } from './operations/products.ts';
export { jobPlanSchema } from './planner/plan.ts';
export type { DecidingTest, PanelPlan, Said, Stack, Step, System } from './planner/plan.ts';
export { GOVERNS } from './operations/caution-words.ts';
export { OP_LABELS, isProductFor } from './operations/table.ts';
export { areaTitle, areaWords, areasOf, placeWords } from './planner/places.ts';
export { stepFigure, stepMeans, stepMix, stepTitle } from './planner/describe-step.ts';
export { strataOf } from './planner/strata.ts';
export { filmHeightUm } from './materials/layer-kinds.ts';
export type { Strata, StrataLayer } from './planner/strata.ts';

// clocks
export {
  clockPlace,
  clockSchema,
  type Clock,
  type ClockAir,
  type ClockStep,
  type ClockView,
  type ClockWork,
  type ClocksView,
  type Moment,
} from './clocks/clock.ts';
export {
  byUrgency,
  clockStand,
  comeWords,
  comingWords,
  limitWords,
  type ClockStand,
} from './clocks/clock-words.ts';
export { momentsOf } from './clocks/run-clock.ts';
export { clockOfStep, type StartableClock } from './clocks/start-clock.ts';
export { shopAirSchema, type ShopAir } from './survey/shop.ts';

// practice
export { CASE_TOPICS, PRACTICE_CASES, type CaseTopic, type PracticeCase } from './practice/cases.ts';
export { SOLVED_POINTS, caseAreas, judgeCase, type CaseVerdict } from './practice/judge-case.ts';

// record
export { isBodyOp, isCoatOp } from './operations/act.ts';
export { DEFECTS, type Defect } from './operations/mishaps.ts';
export { actsDone } from './planner/happening.ts';
export { checkTitle, checksOf, type Check } from './record/checks.ts';
export {
  NO_HASH,
  chained,
  chainOf,
  brokenWords,
  cardCode,
  matchCard,
  verifyChain,
  type Broken,
  type RecordHead,
  type Verified,
} from './record/chain.ts';
export { heldOf, isBaseOn, type Held, type Holding } from './record/corrections.ts';
export {
  ENTRY_KINDS,
  MOST_ENTRIES,
  bodySchemaOf,
  newEntrySchema,
  readEntries,
  type BodyOf,
  type CoatValues,
  type Entry,
  type EntryKind,
  type NewEntry,
  type StepRef,
} from './record/entry.ts';
export { type ActEntry } from './record/happened.ts';
export {
  besideEachPlan,
  plannedBesideDone,
  type PlannedDone,
  type WorkedPlan,
} from './record/planned-done.ts';
export { DEFECT_WORDS } from './record/defect-words.ts';
export { patchWords } from './planner/places.ts';
export { KIND_WORDS, SIGNED_AS, entryWords } from './record/entry-words.ts';
export { isKept, setUpOf, systemLike, type SetUp } from './record/set-up.ts';
export type { AskedCheck } from './record/asked-checks.ts';
export { asPlanned, endingAt, type CaughtUp } from './record/catch-up.ts';
export {
  cardState,
  handOverCard,
  uncheckedOf,
  type CardState,
  type HandOverCard,
  type SignedState,
} from './record/hand-over.ts';
export {
  cardWords,
  notCheckedLines,
  type CardAreaWords,
  type CardSection,
  type CardVerdict,
  type CardWords,
} from './record/card-words.ts';
export {
  LEAST_SAMPLES,
  figureInForce,
  ownFigures,
  withOwnFigure,
  type InAir,
  type OwnFigure,
  type OwnFigureChange,
} from './record/own-figures.ts';
export { MOST_PHOTO_BYTES, PHOTO_ID, photoIdOf } from './record/photo.ts';
export { ownSamples, type OwnSample } from './record/own-samples.ts';
export { foldRecord, pastOf, whyNotNow, type Fold } from './record/fold.ts';
export { stateOfFold, stepsDone, trueState, type TrueState } from './record/true-state.ts';

// diagnosis
export { CAUSE_WORDS, type Cause } from './diagnosis/causes.ts';
export { diagnose, type Answers, type Diagnosis, type RankedCause } from './diagnosis/diagnose.ts';
export { reworkIn, reworkOf, supposed, type Rework } from './diagnosis/rework.ts';

// formats
export {
  JOB_FORMAT,
  JOB_VERSION,
  MOST_JOB_BYTES,
  MOST_PANELS,
  jobFactsSchema,
  problemText,
  problemsOf,
  readJob,
  readJobText,
  recordHeadOf,
  recordOfPanel,
  unknownInJob,
  withRecord,
  withoutRecord,
} from './formats/job-file.ts';
export type { JobBody, JobFacts, JobFile, Problem, Read } from './formats/job-file.ts';
export { unknownFields } from './formats/unknown-fields.ts';
export { SCHEMA_NAMES, jsonSchemaOf } from './formats/json-schema.ts';
export type {
  EventView,
  JobSummary,
  JobView,
  JobsPage,
  PanelState,
  PanelView,
  PlanView,
  PlaceInLine,
  PlanPreview,
  PlansView,
  ProblemDetails,
  ShopView,
  ShopScheduleView,
  ScheduleMove,
  ScheduleProgress,
  FoundEntry,
  OwnFiguresView,
  RecordFacets,
  RecordPage,
  RecordView,
  BackupsView,
  IntegrityView,
  KeptBackup,
  Removal,
  RemovedPanel,
  TakenJob,
  StoreFault,
  Verification,
} from './formats/views.ts';
export {
  axisMin,
  eveningOf,
  momentOf,
  peopleOf,
  textOfMoment,
  workingStretches,
} from './schedule/work-calendar.ts';
export { makeSchedule } from './schedule/shop-schedule.ts';
export type { PanelOfShop, ScheduleAnswer, ScheduleAsk } from './schedule/shop-schedule.ts';
export type { StepStart } from './schedule/schedule-task.ts';
export { scheduleChanges, type ScheduleChanges } from './schedule/schedule-changes.ts';
export { scheduleSchema } from './schedule/view-schedule.ts';
export type { Schedule, ScheduledTask, ScheduledWindow } from './schedule/view-schedule.ts';
export { minutesOf, readHours } from './survey/shop-time.ts';
export type { Hours, Person } from './survey/shop-time.ts';
export type { AirPoint } from './survey/usual-day.ts';
export { systemAtTimes, timesInSchedule, type StepTime } from './schedule/plan-times.ts';
export { standingAt, type NotEntered, type StepsByNow } from './schedule/not-entered.ts';
export {
  isInBooth,
  nextWork,
  panelKeyOf,
  personOf,
  sessionsOf,
  standOf,
  tasksByPanel,
} from './schedule/sessions.ts';
export type { NextWork, Session, Urgency } from './schedule/sessions.ts';
export { forecastOfDay } from './operations/day-forecast.ts';
export { personCalendar } from './formats/person-calendar.ts';
