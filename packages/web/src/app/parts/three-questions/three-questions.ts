import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Actions, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { assess, testedHere } from '@viaggio/core/answer';
import {
  adapterFits,
  blankBattery,
  blankDevice,
  cableFits,
  FEED_KINDS,
  forBay,
  gearTitle,
  GENERIC_ADAPTERS,
  GENERIC_BATTERIES,
  GENERIC_CABLES,
  GENERIC_DEVICES,
  inputFor,
  isFlat,
  mates,
  outputFor,
  whyNotAtHand,
} from '@viaggio/core/gear';
import type { Adapter, Battery, Cable, Device, Draw, FeedKind, Gear } from '@viaggio/core/gear';
import { FEED_KIND_WORDS } from '@viaggio/core/words';
import { RIG_OPEN, rememberedSet } from '../../device/remembered';
import { QuantityPipe } from '../../basics/quantity.pipe';
import type { Change } from '../../state/items';
import { Items } from '../../state/items.actions';
import { selectGear } from '../../state/items.selectors';
import { AnswerBar } from '../answer/answer-bar';
import type { AnswerSection } from '../answer/answer-sections';
import { AnswerSections } from '../answer/answer-sections';
import { AnswerView } from '../answer/answer-view';
import { PickerField } from '../../fields/picker-field';
import type { Choice } from '../../fields/picker-field';
import { draftParts, draftPlan, draftRig } from './draft';
import type { Draft, DraftPart } from './draft';
import { AdapterEditor } from '../gear/adapter-editor';
import { BatteryEditor } from '../gear/battery-editor';
import { CableEditor } from '../gear/cable-editor';
import { UnreadFields } from '../../fields/unread-fields';
import { ConditionsEditor } from '../conditions-editor';
import { DeviceEditor } from '../gear/device-editor';

const OWN = 'In the kit';

/** Something to start a part from: of the kit already, a generic thing, or a blank to be typed. */
interface PartChoice<G extends Gear> extends Choice {
  readonly pick: () => DraftPart<G>;
}

/** A question that may still stand on what is usual. */
export type Question = 'device' | 'feed' | 'battery' | 'conditions';

/** What a newcomer starts from. */
const TYPICAL = {
  device: 'Mid-size camera, 4K at high frame rate',
  feed: 'v-mount',
  battery: 'V-mount battery, 95 Wh',
  wantedMin: 240,
} as const;

/** Three questions beside a living answer: it starts from a usual rig, and says of each choice whether it is still a guess. */
@Component({
  selector: 'app-three-questions',
  imports: [
    AdapterEditor,
    AnswerBar,
    AnswerSections,
    AnswerView,
    BatteryEditor,
    CableEditor,
    PickerField,
    ConditionsEditor,
    DeviceEditor,
    QuantityPipe,
  ],
  providers: [UnreadFields],
  templateUrl: './three-questions.html',
  styleUrl: './three-questions.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ThreeQuestions {
  private readonly store = inject(Store);
  private readonly kit = this.store.selectSignal(selectGear);

  protected readonly draft = signal<Draft>({ conditions: { wantedMin: TYPICAL.wantedMin } });
  protected readonly saving = signal(false);
  /** A part begins anew with its editor: what was typed for another does not stand at it. */
  protected readonly listOf = <T>(part: T | undefined): readonly T[] => (part === undefined ? [] : [part]);
  /** Why the rig cannot be kept yet. */
  protected readonly hindered = inject(UnreadFields).why;
  /** What nobody chose yet: it stands there as what is usual. */
  protected readonly guessed = signal<ReadonlySet<Question>>(new Set(['device', 'feed', 'battery', 'conditions']));

  protected readonly feeds = computed(() =>
    (Object.keys(FEED_KINDS) as FeedKind[]).map((kind) => {
      const device = this.draft().device?.body;
      return { kind, ...FEED_KIND_WORDS[kind], possible: !device || inputFor(kind, device) !== undefined };
    }),
  );
  protected readonly input = computed(() => {
    const { device, feed } = this.draft();
    return device && feed && inputFor(feed, device.body);
  });
  protected readonly output = computed(() => {
    const { battery, feed } = this.draft();
    return battery && feed && outputFor(feed, battery.body);
  });

  protected readonly devices = computed((): readonly PartChoice<Device>[] => [
    ...this.choices(GENERIC_DEVICES, 'device', () => true),
    {
      value: 'own',
      title: 'Something else: type its figures',
      group: 'Other',
      pick: () => fresh(blankDevice(this.named('My camera')), 'own'),
    },
  ]);
  protected readonly batteries = computed((): readonly PartChoice<Battery>[] => {
    const { feed } = this.draft();
    const input = this.input();
    if (!feed || !input) return [];
    const { form, gives } = FEED_KINDS[feed];
    const serves = (battery: Battery): boolean => {
      const output = outputFor(feed, battery);
      return output !== undefined && (feed !== 'in-camera' || mates(output.connector, input.connector) !== 'no');
    };
    return [
      ...this.choices(GENERIC_BATTERIES, 'battery', serves),
      {
        value: 'own',
        title: 'Another: type its label',
        group: 'Other',
        pick: () => fresh(forBay(blankBattery(form, gives), input.connector.family), 'own'),
      },
    ];
  });
  protected readonly adapters = computed((): readonly PartChoice<Adapter>[] => {
    const [input, output] = [this.input(), this.output()];
    if (!input || !output) return [];
    const made = GENERIC_ADAPTERS.map((adapter) => forBay(adapter, input.connector.family));
    return this.choices(made, 'adapter', (adapter) => adapterFits(adapter, output, input));
  });
  protected readonly cables = computed((): readonly PartChoice<Cable>[] => {
    const [input, output] = [this.input(), this.output()];
    return input && output ? this.choices(GENERIC_CABLES, 'cable', (cable) => cableFits(cable, output, input)) : [];
  });

  protected readonly answer = computed(() => {
    const draft = this.draft();
    const rig = draftRig(draft);
    return rig && assess(rig, new Map(draftParts(draft).map(({ id, body }) => [id, body])));
  });

  /** An own test as it is read through the feed that is asked for here. */
  protected readonly asHere = computed(() => {
    const draft = this.draft();
    const rig = draftRig(draft);
    const parts = new Map(draftParts(draft).map(({ id, body }) => [id, body]));
    return rig && ((draw: Draw) => testedHere(rig, parts, rig.devices[0]!.gearId, draw));
  });

  /** Every finding, as the person left it at a rig. */
  protected readonly opened = rememberedSet(RIG_OPEN);
  protected readonly all = computed(() => this.opened.all().has('findings'));
  protected readonly shown: ReadonlySet<string> = new Set<AnswerSection>(['over-time', 'reasons']);
  /** What the answer still stands on. */
  protected readonly standsOn = computed(() => {
    const guessed = this.guessed();
    if (guessed.has('device') && guessed.has('battery')) return 'This is a usual rig: answer for your own, the figures follow.';
    if (guessed.has('device') || guessed.has('battery'))
      return `The ${guessed.has('device') ? 'camera' : 'battery'} is still a guess: choose yours.`;
    return 'Kept rigs save every change by themselves.';
  });

  constructor() {
    this.fill();
    inject(Actions)
      .pipe(ofType(Items.changeFailed), takeUntilDestroyed())
      .subscribe(() => this.saving.set(false));
  }

  protected pickDevice(value: string): void {
    const device = find(this.devices(), value);
    if (!device) return;
    this.chose('device');
    // another device has another bay: the parts that fed the first one are looked for again
    this.draft.update(({ conditions, feed }) => ({ conditions, device, ...(feed && inputFor(feed, device.body) && { feed }) }));
    this.fill();
  }

  protected pickFeed(feed: FeedKind): void {
    this.chose('feed');
    this.draft.update(({ conditions, device }) => ({ conditions, ...(device && { device }), feed }));
    this.fill();
  }

  protected pickBattery(value: string): void {
    const battery = find(this.batteries(), value);
    if (!battery) return;
    this.chose('battery');
    this.draft.update(({ battery: _before, adapter: _adapter, cable: _cable, ...draft }) => ({ ...draft, battery }));
    this.fill();
  }

  protected pickAdapter(value: string): void {
    const adapter = find(this.adapters(), value);
    this.draft.update((draft) => ({ ...draft, ...(adapter && { adapter }) }));
  }

  protected pickCable(value: string): void {
    const cable = find(this.cables(), value);
    this.draft.update((draft) => ({ ...draft, ...(cable && { cable }) }));
  }

  private chose(question: Question): void {
    this.guessed.update((before) => new Set([...before].filter((one) => one !== question)));
  }

  /** What is not chosen yet is taken as it usually is, one's own before what is generic, so that an answer stands there. */
  private fill(): void {
    if (!this.draft().device) this.take('device', this.devices(), TYPICAL.device);
    const { device, feed } = this.draft();
    if (!device) return;
    if (!feed || !inputFor(feed, device.body)) {
      const possible = this.feeds().filter((one) => one.possible);
      const usual = possible.find(({ kind }) => kind === TYPICAL.feed) ?? possible[0];
      this.draft.update((draft) => ({ ...draft, feed: usual?.kind }));
    }
    if (!this.draft().battery) this.take('battery', this.batteries(), TYPICAL.battery);
    const kind = this.draft().feed;
    if (!this.draft().battery || !kind) return;
    if (FEED_KINDS[kind].needs === 'adapter' && !this.draft().adapter) this.take('adapter', this.adapters());
    if (FEED_KINDS[kind].needs === 'cable' && !this.draft().cable) this.take('cable', this.cables());
  }

  private take<G extends Gear>(
    part: 'device' | 'battery' | 'adapter' | 'cable',
    choices: readonly PartChoice<G>[],
    typical?: string,
  ): void {
    const own = choices.find(({ group }) => group === OWN);
    const usual = choices.find(({ title }) => title === typical);
    const first = choices.find(({ value }) => value !== 'own');
    const picked = (own ?? usual ?? first)?.pick();
    if (picked) this.draft.update((draft) => ({ ...draft, [part]: picked }));
  }

  /** A changed figure of kit gear makes it a thing of its own here: the kit is changed on its rigs' pages. */
  protected edit(part: 'device' | 'battery' | 'adapter' | 'cable', body: Gear): void {
    if (part === 'device' || part === 'battery') this.chose(part);
    this.draft.update((draft) => {
      const before = draft[part];
      if (!before) return draft;
      const id = before.isNew ? before.id : crypto.randomUUID();
      return { ...draft, [part]: { id, body, isNew: true, choice: before.choice } };
    });
  }

  protected conditions(changes: Draft['conditions']): void {
    if ('wantedMin' in changes) this.chose('conditions');
    this.draft.update((draft) => ({ ...draft, conditions: { ...draft.conditions, ...changes } }));
  }

  protected keep(): void {
    const id = crypto.randomUUID();
    const part = draftPlan(this.draft(), id);
    if (!part || this.hindered() !== undefined) return;
    this.saving.set(true);
    const changes = [
      ...part.gear.map((item): Change => ({ kind: 'gear', id: item.id, after: item.body })),
      ...part.rigs.map((item): Change => ({ kind: 'rigs', id: item.id, after: item.body })),
    ];
    this.store.dispatch(Items.change({ step: { changes, field: 'new-rig', at: Date.now() }, open: id }));
  }

  /** With a number where the kit has one of that name: its battery bay is named after it, and is its own. */
  private named(name: string): string {
    const names = new Set(this.kit().map(({ body }) => body.name));
    let free = name;
    for (let place = 2; names.has(free); place++) free = `${name} ${place}`;
    return free;
  }

  /** What is in the kit first, then generic things. */
  private choices<G extends Gear>(generic: readonly G[], kind: G['kind'], fits: (body: G) => boolean): PartChoice<G>[] {
    const kit = this.kit().filter(
      (entry): entry is typeof entry & { body: G } =>
        entry.body.kind === kind && whyNotAtHand(entry.body) === undefined && fits(entry.body as G),
    );
    return [
      ...kit.map(({ id, body }) => ({
        value: `kit:${id}`,
        title: isFlat(body) ? `${gearTitle(body)}, flat now` : gearTitle(body),
        group: OWN,
        pick: () => ({ id, body, isNew: false, choice: `kit:${id}` }),
      })),
      ...generic.filter(fits).map((body): PartChoice<G> => ({
        value: `new:${body.name}`,
        title: body.name,
        group: 'Generic',
        pick: () => fresh(body, `new:${body.name}`),
      })),
    ];
  }
}

function fresh<G extends Gear>(body: G, choice: string): DraftPart<G> {
  return { id: crypto.randomUUID(), body, isNew: true, choice };
}

function find<G extends Gear>(choices: readonly PartChoice<G>[], value: string): DraftPart<G> | undefined {
  return choices.find((choice) => choice.value === value)?.pick();
}
