export { drawnSum, meanOf, varianceOf, type Drawn, type Spread, type Uncertain } from './draw';
export {
  NO_PRICE,
  SCHOOL_WAYS,
  SERVICE_YEARS,
  WAYS_OUT,
  workOf,
  type NoPrice,
  type Quantities,
  type WayOut,
} from './ways';
export {
  hoursLearnt,
  hoursTakenKind,
  hoursTakenSchema,
  type HoursLearnt,
  type HoursTaken,
} from './hours-taken';
export { retiredByMoney, pricedWays, type PricedBy, type Priced } from './price';
