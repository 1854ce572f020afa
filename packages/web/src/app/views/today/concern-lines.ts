import { verdictOfConcern } from '@viaggio/core/answer';
import type { Concern, Verdict } from '@viaggio/core/answer';
import { USUAL_FLIGHT_RULES } from '@viaggio/core/travel';
import { formatQuantity } from '@viaggio/core/units';
import { sayFinding, sayGap, sayHealth, sayPlace, sayReading } from '@viaggio/core/words';

/** What a concern says on Today, and the one press that goes there. */
export interface ConcernLine {
  readonly concern: Concern;
  readonly key: string;
  readonly verdict: Verdict;
  readonly title: string;
  readonly says: string;
  readonly act: string;
  readonly path: string;
  readonly query?: Readonly<Record<string, string>>;
}

const say = formatQuantity;

/** Why, with the limits that it is held against. */
const FLIES: Readonly<Record<Extract<Concern, { is: 'fly' }>['flight'], (one: boolean) => string>> = {
  no: () =>
    `In a cabin at most ${say(USUAL_FLIGHT_RULES.approvalWh, 'Wh')}, lead-acid ${say(USUAL_FLIGHT_RULES.leadAcidWh, 'Wh')}: send by road, or hire there.`,
  approval: () => `Over ${say(USUAL_FLIGHT_RULES.freeWh, 'Wh')} as printed: ask the carrier before the day.`,
  unknown: (one) => `Enter ${one ? 'its' : 'their'} watt-hours as printed.`,
};

/** A concern in the words of a camera assistant. */
export function lineOf(concern: Concern): ConcernLine {
  const verdict = verdictOfConcern(concern);
  switch (concern.is) {
    case 'cannot-run': {
      const { rigId, rig, finding } = concern;
      const says = sayFinding(finding);
      return { concern, verdict, key: `cannot ${rigId}`, title: `${rig} cannot run`, says, act: 'Open', path: `/rigs/${rigId}` };
    }
    case 'cannot-tell': {
      const { rigId, rig, finding } = concern;
      const says = sayFinding(finding);
      return { concern, verdict, key: `unknown ${rigId}`, title: `${rig} cannot be judged`, says, act: 'Open', path: `/rigs/${rigId}` };
    }
    case 'check-stopped': {
      const { rigId, rig, checked } = concern;
      const says = sayReading(checked) ?? '';
      const title = `${rig}: no power before ${sayPlace(checked.step.at)} is right`;
      return { concern, verdict, key: `check ${rigId}`, title, says, act: 'Measure', path: `/bench/check/${rigId}` };
    }
    case 'check-again': {
      const { rigId, rig, joints } = concern;
      const title = `${rig} has changed since it was measured`;
      const says = `${joints} ${joints === 1 ? 'joint is' : 'joints are'} to be measured again before it gets power.`;
      return { concern, verdict, key: `again ${rigId}`, title, says, act: 'Measure', path: `/bench/check/${rigId}` };
    }
    case 'too-short': {
      const { rigId, rig, plannedMin, wantedMin } = concern;
      const says = `Plan with ${say(plannedMin, 'min')} of the ${say(wantedMin, 'min')} asked for.`;
      const title = `${rig} is ${say(Math.ceil(wantedMin - plannedMin), 'min')} short`;
      return { concern, verdict, key: `short ${rigId}`, title, says, act: 'Open', path: `/rigs/${rigId}` };
    }
    case 'goes-dark': {
      const { dayId, rig, blocks, minutes, gap } = concern;
      const title = `${rig} has no power for ${say(Math.ceil(minutes), 'min')}`;
      const says = `${blocks.join(', ')}: ${sayGap(gap)}`;
      return { concern, verdict, key: `dark ${rig}`, title, says, act: 'Plan it', path: `/days/${dayId}` };
    }
    case 'charge': {
      const { gearId, battery, charge, rigs } = concern;
      const says = rigs.length > 0 ? `Feeds ${rigs.join(', ')}.` : 'On the day’s list of batteries.';
      const title = charge === 0 ? `${battery} is flat` : `${battery} holds ${say(charge, 'fraction')}`;
      return { concern, verdict, key: `charge ${gearId}`, title, says, act: 'It is full', path: '/kit', query: { item: gearId } };
    }
    case 'retire': {
      const { gearId, battery, when, history } = concern;
      const says = sayHealth(history);
      const title = when === 'now' ? `${battery} is worn` : `${battery} is wearing out`;
      return { concern, verdict, key: `retire ${gearId}`, title, says, act: 'Look', path: `/log/batteries/${gearId}` };
    }
    case 'fly':
      return flyLine(concern);
    case 'measure':
      return measureLine(concern);
  }
}

function flyLine(concern: Extract<Concern, { is: 'fly' }>): ConcernLine {
  const verdict = verdictOfConcern(concern);
  const { flight, batteries } = concern;
  const names = batteries.map(({ battery }) => battery).join(', ');
  const each = batteries.map(({ battery, printedWh }) => `${battery} ${printedWh === undefined ? 'unknown' : say(printedWh, 'Wh')}`);
  const says = `${each.join(', ')}. ${FLIES[flight](batteries.length === 1)}`;
  const title = {
    no: `${names} may not fly`,
    approval: `${names} ${batteries.length === 1 ? 'flies' : 'fly'} only if the carrier agrees`,
    unknown: `Whether ${names} may fly is not known`,
  }[flight];
  return {
    concern,
    verdict,
    key: `fly ${flight}`,
    title,
    says,
    act: flight === 'unknown' ? 'Look' : 'Pack',
    path: flight === 'unknown' ? '/kit' : '/pack',
    ...(flight === 'unknown' && { query: { item: batteries[0]!.gearId } }),
  };
}

function measureLine(concern: Extract<Concern, { is: 'measure' }>): ConcernLine {
  const verdict = verdictOfConcern(concern);
  const { gearId, device, powerW, from } = concern;
  const title =
    powerW === undefined ? `${device}’s draw is unknown` : `${device}’s draw is ${from === 'guess' ? 'a guess' : 'the maker’s figure'}`;
  const says =
    powerW === undefined ? 'No time can be told without it.' : `${say(powerW, 'W')}. Ten minutes on a meter make every answer surer.`;
  return { concern, verdict, key: `measure ${gearId}`, title, says, act: 'Log it', path: '/log/new', query: { device: gearId } };
}
