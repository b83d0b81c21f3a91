export {
  conduitFillCalculator,
  conduitFillInput,
  conduitPullCalculator,
  conduitPullInput,
  conduitSizeCalculator,
  conduitSizeInput,
} from './conduit-calculators.ts';
export { conduitFill, CONDUITS, conduitSize, type ConduitSize, fillLimit, jams } from './fill.ts';
export { legsOf, pullTension, type PullTension, weightKgPerM } from './pull.ts';
