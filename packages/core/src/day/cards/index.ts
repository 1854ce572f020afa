export { cardsRunner, runCards, USUAL_CARD_CHANGE_MIN } from './card-run';
export type { CardsRun, OneCardsRun } from './card-run';
export { USUAL_COOLING_MIN } from './recording';
export type { Unrecorded } from './unrecorded';
