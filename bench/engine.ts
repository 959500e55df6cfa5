/** What the engine's bench needs, bundled as it runs in the application. */
export { CornerModel } from '#core/machine/corner.ts';
export { MachineSolver, GRAVITY } from '#core/machine/solver.ts';
export { answerFor } from '#core/planning/answer.ts';
export { aimFor } from '#core/planning/aim.ts';
export { samplePlan } from '#core/planning/sampled.ts';
export { answerRequest } from '#core/planning/roundsProtocol.ts';
export { hideVehicle, isIn, measure, work } from '../tests/fixtures/shop.ts';
export { stopsOnHealthy } from '../tests/fixtures/describedShop.ts';
export { migrateJob } from '#core/document/migrate.ts';
export { playFault } from './tapeFaults.ts';
export { carefulHand, fairCalculation, thePage } from './tapePlayers.ts';
export { tenths, trial } from './tapeTrial.ts';
export { searchRack } from '#core/rack/search.ts';
export { Searcher } from '#core/rack/searcher.ts';
export { candidateOf } from '#core/rack/problem.ts';
export { workOut } from '#core/rack/exact.ts';
export { searchProblem } from '../tests/fixtures/springSearch.ts';
export { playSag, sagTrial } from '../tests/fixtures/sagTrial.ts';
