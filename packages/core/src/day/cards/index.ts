export { cardsRunner, runCards, USUAL_CARD_CHANGE_MIN } from './card-run';
export type { CardCopy, CardsRun, CardStay, ChangedCard, LotRun, OneCardsRun } from './card-run';
export { limitsIn, USUAL_COOLING_MIN } from './recording';
export type { RecordingStop, TakeEnd } from './recording';
