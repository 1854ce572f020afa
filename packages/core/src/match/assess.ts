import { discharge } from '../discharge/discharge';
import type { Discharge } from '../discharge/discharge';
import type { Gear } from '../gear/gear';
import type { Rig } from '../gear/rig';
import { cautionsFor } from './cautions';
import { resolveChain } from './chain';
import { chainNetwork } from './chain-network';
import { connectorFindings } from './connector-findings';
import { contractFindings } from './contract-findings';
import { currentFindings } from './current-findings';
import { deviceDraw } from './draw';
import type { Figure } from './figure';
import { byHarm, worstVerdict } from './finding';
import type { Finding, Verdict } from './finding';
import { firstStopMinutes, plannedMinutes } from './first-stop';
import { journeyOf } from './journey';
import type { Station } from './journey';
import { runFindings } from './run-findings';
import { stopSentence } from './stop-sentence';
import { voltageFindings } from './voltage-findings';

/** Everything there is to say about one device on one feed. */
export interface Answer {
  readonly verdict: Verdict;
  /** The worst first. */
  readonly findings: readonly Finding[];
  /** Absent while a figure is missing that must not be guessed. */
  readonly run: Discharge | undefined;
  /** Minutes until something first stops the device. */
  readonly firstStopMin: number | undefined;
  /** The same with the reserve kept. */
  readonly plannedMin: number | undefined;
  /** What stops it first, why, and what is left. */
  readonly stop: string | undefined;
  /** Everything the answer rests on, with where it is from. */
  readonly figures: readonly Figure[];
  readonly journey: readonly Station[];
  /** The usual cautions beside the acts they concern. */
  readonly cautions: readonly string[];
}

const TRACE_POINTS = 60;

/**
 * Judges a rig: does it match, how long does it run, what stops it first, and what all that rests on.
 *
 * Works with whatever figures are there: a missing one becomes a finding `figure-missing` and the verdict is then
 * never `good`. Never throws for sound shapes. Cost: about a millisecond.
 *
 * @example assess(rig, gear).verdict // 'caution'
 */
export function assess(rig: Rig, gear: ReadonlyMap<string, Gear>): Answer {
  const resolved = resolveChain(rig, gear);
  if (!resolved.chain) {
    return {
      verdict: worstVerdict(resolved.findings.map(({ verdict }) => verdict)),
      findings: resolved.findings,
      run: undefined,
      firstStopMin: undefined,
      plannedMin: undefined,
      stop: undefined,
      figures: [],
      journey: [],
      cautions: [],
    };
  }
  const { chain } = resolved;
  const connectors = connectorFindings(chain);
  const network = chainNetwork(chain);
  const draw = deviceDraw(chain, network.withDraw);
  const { powerW } = draw;
  const contract = contractFindings(chain, network, powerW);
  const circuit = powerW === undefined ? undefined : network.withDraw(powerW);
  const tried = circuit && discharge(circuit, { tracePoints: TRACE_POINTS });
  const voltage = voltageFindings(chain, network, tried);
  // no time is given for what must not be connected, or would refuse to run
  const forbidden = [...connectors, ...voltage, ...contract].some(({ verdict }) => verdict === 'stop');
  const run = forbidden ? undefined : tried;
  const findings = byHarm([
    ...connectors,
    ...voltage,
    ...contract,
    ...currentFindings(chain, network, powerW, run),
    ...runFindings(chain, run),
    ...network.missing,
    ...(powerW === undefined ? [draw.finding] : []),
  ]);
  return {
    verdict: worstVerdict(findings.map(({ verdict }) => verdict)),
    findings,
    run,
    firstStopMin: run && firstStopMinutes(run),
    plannedMin: run && plannedMinutes(rig, run),
    stop: run && stopSentence(chain, network, run),
    figures: [...(powerW === undefined ? [] : [draw.figure]), ...network.figures],
    journey: journeyOf(chain, network, powerW, run, findings),
    cautions: cautionsFor(chain),
  };
}
