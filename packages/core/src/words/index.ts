export { sayCaution } from './caution';
export { figureFormula, figureName } from './figure';
export { limitSetter } from './limit';
export { sayMoment, sayTrackPeak } from './moment';
export { say } from './say';
export { sayStop } from './stop';
export { meaningOf, sayFinding, tell, WORDINGS } from './tell';
export type { Told } from './tell';
