import type { FaultSays } from '../../../bench/fault';
import { sayFinding } from '../findings/tell';
import { sayer } from '../words-of';
import type { WordsOf } from '../words-of';

const FAULT_FACTS: WordsOf<FaultSays> = {
  finding: ({ finding }) => sayFinding(finding),
  'charge-not-entered': ({ title }) => `${title}’s charge is not entered.`,
  'charge-entered': ({ title, charge }) => `${title} holds ${Math.round(100 * charge)} % as entered.`,
  health: ({ title, share }) => `${title} holds ${Math.round(100 * share)} % of its label.`,
  'never-tested': ({ title }) => `${title} was never tested, and its age is not entered.`,
  cycles: ({ title, cycles }) => `${title} has had ${cycles ?? 0} cycles.`,
  years: ({ title, years }) => `${title} is ${years} years old.`,
  'rig-temperature': ({ temperatureC }) => `The rig stands at ${Math.round(temperatureC)} °C.`,
  'temperature-not-entered': () => 'The temperature of the battery is not entered.',
  'draw-not-entered': () => 'Its draw is not entered.',
  'draw-measured': () => 'Its draw was measured.',
  'draw-not-measured': () => 'Nobody measured its draw.',
  'sheet-passed': ({ at }) => `Measured before power on ${at.slice(0, 10)}, all as expected.`,
};

export const sayFaultFact = sayer(FAULT_FACTS);
