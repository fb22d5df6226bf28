export * from './geometry/polyline.ts'
export * from './geometry/path.ts'
export { hausdorffDistance } from './geometry/hausdorff.ts'
export { readFigure } from './units/figure.ts'
export { intersect, offset } from './geometry/polygonClip.ts'
export type { Vec3 } from './geometry/vec3.ts'
export { compareLasts, laidTogether, type LaidTogether, type LastDifference } from './last/compareLasts.ts'
export { cupFit, cupRules, type CupFit, type CupVerdict } from './parts/cup/cupFit.ts'
export { makeables, makeablesOf, partOfMade, remakeList, type Makeable, type Remake } from './plan/remake.ts'
export { shapePrint } from './work/shapePrint.ts'
export { foamRecovery, foamRules } from './parts/sock/foamRecovery.ts'
export { oldSock, type OldSock } from './parts/sock/oldSock.ts'
export { tracedShoe, type TracedDifference, type TracedShoe } from './layers/tracedShoe.ts'
export { DrawnLine } from './model/drawnLine.ts'
export { lastedShoe, type PlannedLayers } from './parts/cup/lastedShoe.ts'
export { fitRules, footFit, girthOf, type FitLine } from './last/footFit.ts'
export {
  gradeLabels,
  gradeNames,
  gradeOf,
  gradeRules,
  gradeSurface,
  sizeRun,
  type Grade,
  type GradedSize,
  type GradeName,
} from './last/grade.ts'
export { flattenSheet, type FlatSheet } from './flatten/asRigidAsPossible.ts'
export { boundaryLoop, type Mesh } from './flatten/mesh.ts'
export { meshArea, triangleAreas } from './flatten/area.ts'
export { firstSelfIntersection } from './geometry/selfIntersection.ts'
export { gridSeams, seamDrift, seamNames, seamWeights, type SeamName } from './flatten/seams.ts'
export { readObjSheet } from './formats/objSheet.ts'
export { flatOutline, guessReferences } from './forme/taped.ts'
export { makeForme, referencePoints } from './forme/forme.ts'
export { wallLines, wallTriangles } from './forme/wallGrid.ts'
export { formeKinds, formeMatches, type Forme } from './forme/forme.ts'
export { FormeMap, type LandmarkPlace } from './forme/formeMap.ts'
export * from './upper/piece.ts'
export { piecesFromOutlines } from './upper/ownPattern.ts'
export { markPath, pieceAsPart } from './upper/pieceAsPart.ts'
export { grainAlong, grainArrow, type Grain } from './trade/grain.ts'
export { crossings, outermost } from './geometry/crossings.ts'
export { Inside } from './geometry/pointInPolygon.ts'
export { longestInside } from './geometry/longestInside.ts'
export { wallSides } from './trade/side.ts'
export { type KeyPoint } from './upper/keyPoint.ts'
export { DesignBoard } from './upper/designPoints.ts'
export { PointPlaces } from './upper/pointPlaces.ts'
export { styleBook } from './upper/styles/index.ts'
export type { Join } from './upper/joins.ts'
export type { TopEdgeWork } from './upper/topEdge.ts'
export { gradedUpper, type GradedUpper } from './plan/gradedUpper.ts'
export type { Upper, UpperLine } from './upper/upper.ts'
export type { UpperFinding } from './upper/checks/needs.ts'
export { writeObj, writePly, writeStl, writeStlText } from './formats/meshFiles.ts'
export { ClosestPoints, type TriangleMesh } from './geometry/closestPoint.ts'
export { FEATHER_HANDLES, noShift, type FeatherShift } from './scan/featherOfScan.ts'
export {
  importScan,
  MOST_TRIANGLES,
  readyScan,
  type Progress,
  type ReadyScan,
  type ScanChoices,
  type ScanResult,
} from './scan/importScan.ts'
export { pretendScan, type PretendedScan, type Scanning } from './scan/pretend.ts'
export { fromFrame, scanLandmarkNames, toFrame, type ScanLandmark, type ScanLandmarks } from './scan/stand.ts'
export { guessUnit, longestExtent, scanUnits, type ScanUnit } from './scan/units.ts'
export { landmarks, girthPlanes, girthStations, type GirthStation, type Landmarks } from './last/landmarks.ts'
export { lastReadings, type LastReadings } from './last/readings.ts'
export { fromPlane, girth, planeAxes, sectionPoints, tapeLine, type Plane } from './last/section.ts'
export {
  atX,
  backCurve,
  bodyMesh,
  bottomPoint,
  featherLine,
  ridgeAndToe,
  wallPoint,
  type LastSurface,
} from './last/surface.ts'
export { buildLast, checkedLast, tracedMeasures, type LastBody } from './last/buildLast.ts'
export { buildUpFor, withBuildUps } from './last/buildUp.ts'
export { packSurface, unpackSurface } from './last/packed.ts'
export { shelfFigures } from './last/shelfFigures.ts'
export { pencilOffset, readTracing, type ReadTracing } from './last/tracing.ts'
export {
  backProfile,
  bottomView,
  sideView,
  type LastDimension,
  type LastLine,
  type LastView,
} from './last/lastDrawing.ts'
export { generateAt, generateLast, GIRTH_TOLERANCE } from './last/generate.ts'
export { type Side } from './trade/side.ts'
export { STATIONS } from './last/frame.ts'
export type { Level } from './model/level.ts'
export * from './trade/because.ts'
export * from './model/cupSole.ts'
export * from './model/edgeRoles.ts'
export * from './model/foot.ts'
export * from './model/byHand.ts'
export * from './model/handFigures.ts'
export { remedied, type Control, type Remedy } from './trade/remedy.ts'
export { placeInWords, useOurWords } from './model/issueWords.ts'
export * from './model/last.ts'
export * from './model/lastHold.ts'
export * from './model/made.ts'
export * from './model/material.ts'
export * from './model/construction.ts'
export * from './model/pair.ts'
export * from './model/upper.ts'
export { RuleBook, RuleError, type Rule } from './trade/rules.ts'
export { leftPart } from './parts/shared/leftPart.ts'
export { cutLine } from './parts/shared/notch.ts'
export * from './trade/part.ts'
export type { HeelBuild } from './parts/heel/heelBuild.ts'
export type { ProfileLayer, ProfileStrip, SideProfile } from './parts/sole/sideProfile.ts'
export type { Bottom } from './plan/bottomParts.ts'
export { PlanError } from './plan/planError.ts'
export type { LayerFinding } from './layers/needs.ts'
export type { Layers } from './layers/layers.ts'
export { WallStack, type StackLayer } from './layers/wallStack.ts'
export { TurnedStack, thicknessOf, type TurnedEdge } from './layers/turnedStack.ts'
export { thicknessMap, type ThicknessMap } from './layers/thicknessMap.ts'
export { wallSection, type WallSection } from './layers/section.ts'
export { verticalRib } from './last/verticalRib.ts'
export { wallPlace } from './last/wallPlace.ts'
export type { WallArea } from './trade/wallArea.ts'
export { stitchTicks } from './parts/shared/stitchTicks.ts'
export { puffLengthByRule } from './parts/puff/toePuff.ts'
export { laidOn, type PartOfBoth } from './plan/bothFeet.ts'
export { leftDecisions } from './plan/leftShoe.ts'
export { type FootPlan, type Plan } from './plan/plan.ts'
export { formeStage, lastStage, planPair, planUppers } from './plan/planPair.ts'
export { cardOf } from './plan/cardOf.ts'
export type { PairCard } from './model/pairCard.ts'
export * from './model/pairList.ts'
export { consequences, type Consequences } from './plan/consequences.ts'
export { checkRuleFigures, ruleChapters, ruleOf } from './plan/ruleRegistry.ts'
export { StageCache, type Keeper } from './plan/stageCache.ts'
export { contentKey } from './plan/contentKey.ts'
export * from './units/leather.ts'
export * from './units/length.ts'
export * from './units/sizes.ts'
export { cautions, type CautionId } from './work/cautions.ts'
export * from './work/operation.ts'
export * from './work/progress.ts'
export {
  bare,
  cm,
  joined,
  mm,
  mmTo,
  say,
  spoken,
  type LengthSlot,
  type LengthUnit,
  type Sentence,
} from './units/sentence.ts'
export { SaidError } from './units/saidError.ts'
export {
  familyOf,
  isPieceRecord,
  kindOf,
  recordOfPiece,
  type PartFamily,
  type PartKind,
} from './trade/partCatalogue.ts'
