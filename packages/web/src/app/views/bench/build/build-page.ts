import { chargeMinutes, fuseFor } from '@viaggio/core/answer';
import type { Verdict } from '@viaggio/core/answer';
import {
  gearOfSize,
  leadNeighbours,
  leadSheet,
  packAt,
  packOptions,
  packQuestion,
  packSheet,
  parallelOf,
  SIZE_TOOLS,
  wantedPackShape,
} from '@viaggio/core/bench';
import type {
  BuildSheet,
  ConverterQuestion,
  HolderQuestion,
  LeadQuestion,
  LeadSize,
  PackQuestion,
  PackSize,
  RigSize,
  SizeToolName,
  WantedPack,
} from '@viaggio/core/bench';
import { gearShape } from '@viaggio/core/gear';
import type { Connector } from '@viaggio/core/gear';
import { formatQuantity } from '@viaggio/core/units';
import { sayBuild, sayBuilt, tellSize } from '@viaggio/core/words';
import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal, viewChild } from '@angular/core';
import { Router, RouterLink, RouterLinkActive } from '@angular/router';
import { Store } from '@ngrx/store';
import { SelectField } from '../../../fields/select-field';
import { ShapeForm } from '../../../fields/shape-form';
import { TextField } from '../../../fields/text-field';
import { ConnectorField } from '../../../parts/gear/connector-field';
import { svgFile } from '../../../profile/svg-file';
import { localDate } from '../../../device/dates';
import { download } from '../../../device/download';
import { VerdictMark } from '../../../basics/verdict-mark';
import { selectRigs } from '../../../state/items.selectors';
import { computedLater, valueOf } from '../../../workers/computed-later';
import { BenchSheets } from '../../../parts/bench-sheets';
import { LeadDrawing } from './lead-drawing';
import { PackDrawing } from './pack-drawing';
import { TOOLS, TOOL_NAMES } from './tools';

type Question = Readonly<Record<string, unknown>>;
/** A room, a winter’s day, a night on the breakwater. */
const COLDS_C = [20, 0, -10];
/** Left when the alarm sounds. */
const ALARM_SHARE = 0.1;
/** Amps of a gentle charge, as a share of the amp-hours. */
const CHARGE_RATE = 0.5;
/** The pins of a three-legged part, as its data sheet draws them from the front. */
const PIN_ORDERS = [
  'in, common, out',
  'common, in, out',
  'common, out, in',
  'in, out, common',
  'out, common, in',
  'out, in, common',
] as const;

/** Sizes what is built before a shoot: a question, an answer with its formula, a sheet to build by, and a place in the kit. */
@Component({
  selector: 'app-build-page',
  imports: [ConnectorField, LeadDrawing, PackDrawing, RouterLink, RouterLinkActive, SelectField, ShapeForm, TextField, VerdictMark],
  templateUrl: './build-page.html',
  styleUrl: './build-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BuildPage {
  protected readonly sayBuild = sayBuild;
  readonly tool = input<string>();
  private readonly bench = inject(BenchSheets);
  private readonly router = inject(Router);
  private readonly rigs = inject(Store).selectSignal(selectRigs);
  protected readonly tools = TOOL_NAMES.map((name) => ({ name, title: TOOLS[name].title }));
  protected readonly name = computed((): SizeToolName =>
    (TOOL_NAMES as readonly string[]).includes(this.tool() ?? '') ? (this.tool() as SizeToolName) : 'lead',
  );
  protected readonly face = computed(() => TOOLS[this.name()]);
  protected readonly shape = computed(() => SIZE_TOOLS[this.name()].question);
  protected readonly question = linkedSignal((): Question => this.face().begin);
  protected readonly nameShape = gearShape.variants.cable.name;
  protected readonly pinOrders = PIN_ORDERS.map((order) => [order, order] as const);
  protected readonly pins = signal<string>(PIN_ORDERS[0]);
  protected readonly cellShape = packQuestion.fields.cell;
  protected readonly wantedShape = wantedPackShape;

  /** Figures of a rig to begin with. */
  protected readonly rigId = signal<string | undefined>(undefined);
  protected readonly rigChoices = computed(() => this.rigs().map(({ id, body }) => [id, body.name] as const));
  private readonly later = computedLater(
    'bench',
    () => {
      const id = this.rigId();
      const rig = id === undefined ? undefined : this.bench.rigs().get(id);
      return rig && { rig, gear: this.bench.gear() };
    },
    (core, { rig, gear }) => core.rigSizes(rig, gear),
  );
  protected readonly offered = computed((): readonly RigSize[] => {
    if (this.rigId() === undefined) return [];
    const sizes = (valueOf(this.later()) ?? []).filter(({ tool }) => tool === this.name());
    return this.name() === 'parallel' ? this.pairs() : sizes;
  });
  private readonly taken = linkedSignal<string, RigSize | undefined>({ source: this.name, computation: () => undefined });

  protected readonly answer = computed(() => tellSize(SIZE_TOOLS[this.name()].size(this.question() as never)) as Question);
  protected readonly error = computed(() => this.answer()['error'] as string | undefined);
  protected readonly verdict = computed(() => this.answer()['verdict'] as Verdict | undefined);
  protected readonly formula = computed(() => (this.answer()['formula'] ?? '') as string);
  protected readonly warnings = computed(() => (this.answer()['warnings'] ?? []) as readonly string[]);
  protected readonly reasons = computed(() => (this.answer()['reasons'] ?? []) as readonly string[]);
  protected readonly figures = computed(() => {
    const answer = this.answer();
    return this.face().figures.map(([key, label, unit]) => {
      const value = answer[key];
      return { label, says: typeof value === 'number' ? formatQuantity(value, unit) : key === 'fuseA' ? 'none fits' : 'unknown' };
    });
  });
  protected readonly gauge = computed(() => this.answer()['awg'] as number | undefined);
  protected readonly cost = computed(() => {
    const [taken, lossW] = [this.taken(), this.answer()['lossW']];
    if (typeof lossW !== 'number' || taken?.runMin === undefined || taken.drawW === undefined) return undefined;
    return `About ${formatQuantity(Math.max(0.1, (taken.runMin * lossW) / (taken.drawW + lossW)), 'min')} of the ${formatQuantity(taken.runMin, 'min')} that the rig runs go into this lead.`;
  });
  /** What a peak drops in the lead that was taken from a rig. */
  protected readonly peak = computed(() => {
    const [peakA, resistanceOhm] = [this.taken()?.peakA, this.answer()['resistanceOhm']];
    if (peakA === undefined || typeof resistanceOhm !== 'number') return undefined;
    return `At peaks of ${formatQuantity(peakA, 'A')} it drops ${formatQuantity(peakA * resistanceOhm, 'V')}.`;
  });
  /** The other kind of regulator at the same watts: linear burns the volts between, switching a tenth or so. */
  protected readonly otherKind = computed(() => {
    if (this.name() !== 'converter' || this.error() !== undefined) return undefined;
    const question = this.question() as unknown as ConverterQuestion;
    if (question.kind === 'step-up') return undefined;
    const kind = question.kind === 'linear' ? 'step-down' : 'linear';
    const { efficiency: _efficiency, ...rest } = question;
    const other = SIZE_TOOLS.converter.size({ ...(kind === 'linear' ? rest : question), kind } as never) as Question;
    const [heatW, otherW] = [this.answer()['heatW'], other['heatW']];
    if (typeof heatW !== 'number' || typeof otherW !== 'number') return undefined;
    const named = kind === 'linear' ? 'A linear regulator' : 'A switching converter';
    return `${named} would turn ${formatQuantity(otherW, 'W')} into heat at the same load, this one ${formatQuantity(heatW, 'W')}.`;
  });
  protected readonly each = computed(() => {
    const each = this.answer()['eachA'] as { readonly a: number; readonly b: number } | undefined;
    return each && `At the load a gives ${formatQuantity(each.a, 'A')}, b ${formatQuantity(each.b, 'A')}.`;
  });
  /** What a pack or a holder gives at its load, warm and cold. */
  protected readonly packTemperatures = computed(() => {
    const asked = this.error() === undefined ? this.packAsked() : undefined;
    const said = (asked ? packAt(asked, COLDS_C) : []).map(
      ({ temperatureC, energyWh, minutes }) =>
        `${formatQuantity(energyWh, 'Wh')}, ${formatQuantity(minutes, 'min')} at ${formatQuantity(temperatureC, 'C')}`,
    );
    return said.length === 0 ? undefined : `At this load it gives ${said.join('; ')}.`;
  });
  protected readonly neighbours = computed(() => {
    const gauge = this.gauge();
    if (gauge === undefined) return [];
    const question = this.question() as unknown as LeadQuestion;
    return leadNeighbours(question, gauge).map((one) => ({
      ...one,
      area: formatQuantity(one.areaMm2, 'mm2'),
      drop: formatQuantity(one.dropV, 'V'),
      loss: formatQuantity(one.lossW, 'W'),
      most: formatQuantity(one.maxA, 'A'),
      not: one.maxA < question.currentA ? 'too warm' : one.awg > gauge ? 'drops too much' : '',
    }));
  });
  /** How long the alarm leaves, and how long a charge at half the cells’ amp-hours an hour takes. */
  protected readonly packTimes = computed(() => {
    if (this.name() !== 'pack' || this.error() !== undefined) return undefined;
    const question = this.question() as unknown as PackQuestion;
    const { energyWh, chargeV } = this.answer() as unknown as PackSize;
    const { chemistry, capacityAh } = question.cell;
    const left = `From the alarm on about ${formatQuantity((ALARM_SHARE * energyWh * 60) / question.loadW, 'min')} are left at ${formatQuantity(question.loadW, 'W')}; under load the alarm sees fewer volts than at rest.`;
    if (chargeV === null) return left;
    const chargeA = CHARGE_RATE * capacityAh * question.cellsInParallel;
    const minutes = chargeMinutes({ chemistry, energyWh }, 0, 1, CHARGE_RATE * energyWh);
    return `${left} Charged at up to ${formatQuantity(chargeA, 'A')}, half its amp-hours an hour, in about ${formatQuantity(minutes, 'min')}.`;
  });

  /** What is wanted of a pack, and the cells at hand. */
  protected readonly wanted = signal<WantedPack>({ lowestV: 11, highestV: 17, energyWh: 90, loadW: 30 });
  protected readonly options = computed(() => {
    if (this.name() !== 'pack') return [];
    const { cell } = this.question() as unknown as PackQuestion;
    return packOptions(this.wanted(), cell)
      .slice(0, 4)
      .map(({ question, size, not }) => ({
        question,
        says: `${question.cellsInSeries} in series, ${question.cellsInParallel} side by side: ${formatQuantity(size.energyWh, 'Wh')}, ${formatQuantity(size.emptyV, 'V')} to ${formatQuantity(size.fullV, 'V')}`,
        not: not && sayBuild(not),
      }));
  });

  protected readonly source = signal<Connector>({ type: 'd-tap' });
  protected readonly load = signal<Connector>({ type: 'barrel', outerMm: 5.5, innerMm: 2.1, polarity: 'centre-positive' });
  protected readonly called = linkedSignal(() => this.face().makes ?? '');
  protected readonly fuseA = computed(() => {
    const question = this.question();
    if (this.name() === 'lead') return fuseWithin(question['currentA'] as number, this.answer()['maxA'] as number | undefined);
    if (this.name() !== 'pack' || this.error() !== undefined) return undefined;
    return fuseFor((question['loadW'] as number) / (this.answer()['emptyV'] as number));
  });
  protected readonly fuseSays = computed(() => {
    const fuseA = this.fuseA();
    return fuseA === undefined ? 'none fits' : formatQuantity(fuseA, 'A');
  });
  private readonly built = computed(() => ({
    name: this.called() || this.face().title,
    at: localDate(new Date()),
    ends: { source: this.source(), load: this.load() },
    fuseA: this.fuseA(),
    note: sayBuilt(localDate(new Date()), SIZE_TOOLS[this.name()].size(this.question() as never)),
  }));
  protected readonly sheet = computed((): BuildSheet | undefined => {
    if (this.error() !== undefined) return undefined;
    const [question, answer] = [this.question() as unknown, this.answer() as unknown];
    if (this.name() === 'lead') return leadSheet(question as LeadQuestion, answer as LeadSize, this.built());
    return this.name() === 'pack' ? packSheet(question as PackQuestion, answer as PackSize, this.built()) : undefined;
  });
  protected readonly wire = computed(
    () => `AWG ${this.gauge() ?? '?'}, ${formatQuantity((this.answer()['areaMm2'] as number | undefined) ?? 0, 'mm2')}`,
  );
  protected readonly length = computed(() => formatQuantity((this.question()['lengthM'] as number | undefined) ?? 0, 'm'));
  protected readonly series = computed(() => (this.question()['cellsInSeries'] as number | undefined) ?? 1);
  protected readonly parallel = computed(() => (this.question()['cellsInParallel'] as number | undefined) ?? 1);
  protected readonly nominalV = computed(() => (this.answer()['nominalV'] as number | undefined) ?? 0);
  protected readonly asked = computed(() => new Map(Object.entries(this.question())));
  private readonly leadDrawing = viewChild(LeadDrawing);
  private readonly packDrawing = viewChild(PackDrawing);

  private packAsked(): PackQuestion | undefined {
    if (this.name() === 'pack') return this.question() as unknown as PackQuestion;
    if (this.name() !== 'holder') return undefined;
    const { chemistry, inSeries, inParallel, cellAh, loadW } = this.question() as unknown as HolderQuestion;
    if (cellAh === undefined || loadW === undefined) return undefined;
    return { cell: { chemistry, capacityAh: cellAh }, cellsInSeries: inSeries, cellsInParallel: inParallel, loadW };
  }

  protected take(title: string): void {
    const size = this.offered().find((one) => one.title === title);
    if (!size) return;
    this.taken.set(size);
    this.question.set(size.question);
  }

  protected takeOption(question: PackQuestion): void {
    this.question.set(question);
  }

  protected print(): void {
    window.print();
  }

  protected saveDrawing(): void {
    const svg = (this.leadDrawing() ?? this.packDrawing())?.svg();
    if (!svg) return;
    const paper = getComputedStyle(document.body).backgroundColor;
    download(`${this.built().name}.svg`, svgFile(svg, paper), 'image/svg+xml');
  }

  protected keep(): void {
    const gear = gearOfSize(this.name(), this.question(), this.built());
    if (!gear) return;
    const id = this.bench.addGear(gear);
    void this.router.navigate(['/kit'], { queryParams: { item: id } });
  }

  /** Every two batteries that a rig uses, with the figures of both. */
  private pairs(): readonly RigSize[] {
    const rig = this.bench.rigs().get(this.rigId() ?? '');
    if (!rig) return [];
    const ids = [
      ...new Set([...rig.links.map(({ from }) => from.gearId), ...(rig.batteries ?? []).flatMap(({ spareIds }) => spareIds ?? [])]),
    ];
    const batteries = ids.filter((id) => this.bench.gear().get(id)?.kind === 'battery');
    return batteries.flatMap((a, at) =>
      batteries.slice(at + 1).flatMap((b): RigSize[] => {
        const question = parallelOf(rig, this.bench.gear(), a, b);
        const nameOf = (id: string): string => this.bench.gear().get(id)?.tag ?? this.bench.gear().get(id)?.name ?? '';
        return question
          ? [{ tool: 'parallel', title: `${nameOf(a)} and ${nameOf(b)}`, question, runMin: undefined, drawW: undefined }]
          : [];
      }),
    );
  }
}

/** The fuse for a current, where the wire carries it. */
function fuseWithin(currentA: number, wireA: number | undefined): number | undefined {
  const fuseA = fuseFor(currentA);
  return fuseA !== undefined && wireA !== undefined && fuseA <= wireA ? fuseA : undefined;
}
