/** Ranges that several fields share: wide enough for any machine, tight enough to catch slips. */
export const heightMm = { min: 0, max: 3000 };
export const partMm = { min: 1, max: 2000 };
export const damperMm = { min: 50, max: 1500 };
export const floorMm = { min: -50, max: 50 };
export const rimMm = { min: 150, max: 900 };
export const lipOutMm = { min: -250, max: 250 };
export const placeMm = { min: -10000, max: 10000 };
export const springN = { min: 0, max: 500000 };
export const ratio = { min: 0.1, max: 1.5 };
export const pitchMm = { min: 0.3, max: 10 };
export const wheelKg = { min: 0, max: 5000 };
export const share = { min: 0.05, max: 0.95 };
export const clearanceMm = { min: -100, max: 2000 };
export const moveMm = { min: -400, max: 400 };
export const sagMm = { min: 0, max: 1000 };
export const gaugeBar = { min: 0, max: 100 };
export const tyreBar = { min: 0.1, max: 10 };
export const chamberCm3 = { min: 1, max: 100000 };

export const offsetMm = { min: -500, max: 500 };
export const travelMm = { min: 20, max: 1000 };
export const stopMm = { min: 0, max: 500 };
export const collarMm = { min: -50, max: 1000 };
/** From where the seat stood at the baseline: past it, less than nothing. */
export const threadMm = { min: -500, max: 500 };
export const toleranceMm = { min: 0.5, max: 100 };
export const baseMm = { min: 500, max: 8000 };
export const preloadMm = { min: -300, max: 500 };
export const springRateNPerMm = { min: 0.1, max: 2000 };
export const gapMm = { min: 0, max: 500 };
export const riderKg = { min: 15, max: 300 };
export const jointDeg = { min: -60, max: 80 };
export const skidPositions = { min: 1, max: 12 };
export const linkMm = { min: 20, max: 600 };
export const linkPerWheel = { min: -1.5, max: 1.5 };
export const recheckKm = { min: 0, max: 20000 };
export const odometerKm = { min: 0, max: 5_000_000 };

/** N mm per degree of one torsion spring. */
export const torsionRate = { min: 1, max: 1e6 };

/** How many there may be. */
/** N m, of a bolt. */
export const torqueNm = { min: 1, max: 1000 };
export const mostSprings = 4;
export { mostCams } from '../../springs/torsion.ts';
export const mostLoads = 20;
export const mostCases = 6;
export const mostRiders = 12;
export const mostRows = 200;
export const mostName = 80;
export const mostLabel = 200;
export const mostNote = 4000;
