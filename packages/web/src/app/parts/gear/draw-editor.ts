import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import { awakeShare, givenInTest, leavesFeedOpen, shotsDraw } from '@viaggio/core/answer';
import { drawShape } from '@viaggio/core/gear';
import type { Draw } from '@viaggio/core/gear';
import { formatQuantity } from '@viaggio/core/units';
import type { NumberShape } from '@viaggio/core/units';
import { QuantityField } from '../../fields/quantity-field';
import { SelectField } from '../../fields/select-field';
import { choicesOf } from '../../fields/choices-of';

type Basis = Exclude<Draw['basis'], 'learnt'>;
type Figure = { [B in Basis]: keyof Extract<Draw, { basis: B }> }[Basis];
/** A draw while it is being typed: figures may still be missing. */
type Drafted = { readonly [K in Figure]?: unknown };

interface Way {
  readonly title: string;
  /** What of it is typed, and what it is called beside the others. */
  readonly figures: Partial<Record<Figure, string>>;
  readonly hint?: string;
}
const WAYS: Readonly<Record<Basis, Way>> = {
  maker: {
    title: 'Maker’s watts',
    figures: { powerW: 'Maker’s watts' },
    hint: 'The plate is a maximum; the draw in use is often less.',
  },
  meter: { title: 'Meter', figures: { voltageV: 'Meter volts', currentA: 'Meter amps' } },
  'run-down': { title: 'Own test', figures: { energyWh: 'A pack of', minutes: 'lasted', temperatureC: 'at' } },
  'shots-a-charge': {
    title: 'Shots a charge',
    figures: {
      shots: 'Shots',
      energyWh: 'from a battery of',
      standbyW: 'Between shots',
      shotsPerHour: 'You shoot',
      countedPerHour: 'They were counted at',
    },
  },
  shots: { title: 'Energy a shot', figures: { shotJ: 'A shot takes', standbyW: 'Between shots', shotsPerHour: 'You shoot' } },
  frames: {
    title: 'Time-lapse',
    figures: { awakeW: 'Awake', awakeS: 'Awake a frame', sleepW: 'Asleep', everyS: 'A frame every' },
  },
};
const PLACEHOLDERS: Partial<Record<Figure, string>> = { minutes: '5 h 10', temperatureC: '25 °C', countedPerHour: 'the same' };

/** How a test was fed: what was lost on the way then. */
type Fed = '' | 'here' | 'straight' | 'lost';

/** How much a device draws, by whatever is known of it: watts, a meter, a test of one's own, shots, frames. */
@Component({
  selector: 'app-draw-editor',
  imports: [QuantityField, RouterLink, SelectField],
  template: `
    <div class="ways mb-2" role="group" aria-label="How the draw is known">
      @for (choice of choices; track choice.basis) {
        <input
          type="radio"
          class="btn-check"
          [id]="group + choice.basis"
          [name]="group"
          [checked]="basis() === choice.basis"
          (change)="choose(choice.basis)"
        />
        <label class="btn btn-sm btn-outline-primary" [for]="group + choice.basis">{{ choice.title }}</label>
      }
    </div>
    <div class="pair">
      @for (field of fields(); track field.name) {
        <app-quantity-field
          [label]="field.label"
          [hint]="field.hint"
          [placeholder]="field.placeholder"
          [optional]="field.optional"
          [shape]="field.shape"
          [value]="$any(draft())[field.name]"
          (valueChange)="figure(field.name, $event)"
        />
      }
    </div>
    @if (basis() === 'meter') {
      <app-select-field
        label="Where the meter sat"
        [choices]="places"
        [value]="$any(draft().at) ?? 'device'"
        (picked)="set({ at: $event })"
      />
    }
    @if (learnt(); as known) {
      <p class="small mb-1">{{ known.how }}. <a routerLink="/log/draws">See how</a></p>
    }
    @if (atBattery()) {
      <app-select-field
        label="In that test it was fed"
        [choices]="feds()"
        [value]="fed()"
        [hint]="fed() === '' ? 'Until you say, each rig reads it as through its own feed.' : ''"
        (picked)="sayFed($event)"
      />
      @if (fed() === 'lost') {
        <app-quantity-field
          label="Lost on the way in that test"
          [shape]="lostShareShape"
          [value]="$any(draft().lostShare)"
          (valueChange)="set({ lostShare: $event })"
        />
      }
    }
    <p class="small text-body-secondary mb-0">{{ means() }}</p>
  `,
  styles: `
    .ways {
      display: flex;
      flex-wrap: wrap;
      gap: 0.25rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DrawEditor {
  readonly draw = input<Draw | undefined>();
  /** Puts into a test what the feed of the page loses, where it is seen beside a feed. */
  readonly asHere = input<((draw: Draw) => Draw | undefined) | undefined>();
  readonly drawChange = output<Draw>();

  protected readonly lostShareShape = drawShape.variants.meter.lostShare.of;
  protected readonly places = choicesOf(drawShape.variants.meter.at.options);
  protected readonly choices = (Object.keys(WAYS) as Basis[]).map((basis) => ({ basis, title: WAYS[basis].title }));
  protected readonly learnt = computed(() => {
    const draw = this.draw();
    return draw?.basis === 'learnt' ? draw : undefined;
  });
  protected readonly group = `draw-${crypto.randomUUID()}-`;

  protected readonly basis = linkedSignal<Basis>(() => {
    const draw = this.draw();
    return draw === undefined || draw.basis === 'learnt' ? 'maker' : draw.basis;
  });
  protected readonly fields = computed(() => {
    const { figures, hint } = WAYS[this.basis()];
    const shapes = drawShape.variants[this.basis()] as Record<
      string,
      NumberShape | { readonly kind: 'optional'; readonly of: NumberShape }
    >;
    return (Object.entries(figures) as [Figure, string][]).map(([name, label]) => {
      const shape = shapes[name]!;
      const optional = shape.kind === 'optional';
      return { name, label, hint: hint ?? '', placeholder: PLACEHOLDERS[name], optional, shape: optional ? shape.of : shape };
    });
  });
  /** Figures of the bases not chosen stay where they were typed. */
  protected readonly draft = linkedSignal<Draw | undefined, Drafted>({
    source: this.draw,
    computation: (draw, previous) => ({ ...previous?.value, lostShare: undefined, givenWh: undefined, ...draw }),
  });
  protected readonly atBattery = computed(() => this.basis() === 'run-down' || (this.basis() === 'meter' && this.draft().at === 'battery'));
  /** Chosen, with the share still to be typed. */
  private readonly saysLost = linkedSignal({ source: this.basis, computation: () => false });
  protected readonly fed = computed((): Fed => {
    const { lostShare } = this.draft();
    if (lostShare === undefined) return this.saysLost() ? 'lost' : '';
    return lostShare === 0 && !this.saysLost() ? 'straight' : 'lost';
  });
  protected readonly feds = computed((): readonly (readonly [Fed, string])[] => [
    ['', 'not said'],
    ...(this.asHere() ? ([['here', 'as it is here']] as const) : []),
    ['straight', 'straight from that battery'],
    ['lost', 'through an adapter or a converter'],
  ]);
  protected readonly means = computed(() => {
    const given = this.draw();
    const draw = given?.basis === this.basis() ? given : complete(this.basis(), this.draft());
    return draw ? meaning(draw) : 'All its figures are needed before this counts.';
  });

  protected choose(basis: Basis): void {
    this.basis.set(basis);
    this.pass();
  }

  protected figure(name: Figure, value: number | undefined): void {
    // what came out of the pack was worked out from these
    this.set({ [name]: value, ...(['energyWh', 'minutes', 'temperatureC'].includes(name) && { givenWh: undefined }) });
  }

  protected set(change: Drafted): void {
    this.draft.update((draft) => ({ ...draft, ...change }));
    this.pass();
  }

  protected sayFed(fed: Fed): void {
    this.saysLost.set(fed === 'lost');
    const draw = complete(this.basis(), { ...this.draft(), lostShare: undefined, givenWh: undefined });
    if (fed === 'here') {
      const here = draw && this.asHere()?.(draw);
      if (here) this.set(here);
    } else if (fed === 'lost') {
      if (this.draft().lostShare === 0) this.set({ lostShare: undefined, givenWh: undefined });
    } else {
      this.set({ lostShare: fed === 'straight' ? 0 : undefined, givenWh: undefined });
    }
  }

  private pass(): void {
    const draw = complete(this.basis(), this.draft());
    if (draw) this.drawChange.emit(draw);
  }
}

/** The draw of a basis once all that it needs is there. */
function complete(basis: Basis, draft: Drafted): Draw | undefined {
  const shapes: Record<string, { readonly kind: string }> = drawShape.variants[basis];
  const values: Record<string, unknown> = { at: 'device', ...draft };
  if (basis === 'meter' && values['at'] === 'device') delete values['lostShare'];
  // how far it scattered belongs to what was measured, not to what is typed
  const names = Object.keys(shapes).filter((name) => name !== 'spread' && values[name] !== undefined);
  if (Object.entries(shapes).some(([name, { kind }]) => kind !== 'optional' && values[name] === undefined)) return undefined;
  return { basis, ...Object.fromEntries(names.map((name) => [name, values[name]])) } as Draw;
}

/** What a draw comes to, in watts. */
function meaning(draw: Draw): string {
  const say = formatQuantity;
  switch (draw.basis) {
    case 'maker':
    case 'learnt':
      return '';
    case 'meter':
    case 'run-down': {
      const watts = draw.basis === 'meter' ? draw.voltageV * draw.currentA : givenInTest(draw) / (draw.minutes / 60);
      if (draw.basis === 'meter' && draw.at === 'device') return `That is ${say(watts, 'W')}.`;
      if (leavesFeedOpen(draw)) return `That is ${say(watts, 'W')} at the battery.`;
      return `That is ${say(watts * (1 - (draw.lostShare ?? 0)), 'W')} at the device, whatever feeds it.`;
    }
    case 'shots-a-charge': {
      const { shotJ, meanW } = shotsDraw(draw);
      return `That is ${say(shotJ, 'J')} a shot, ${say(meanW, 'W')} at this pace.`;
    }
    case 'shots':
      return `That is ${say(draw.standbyW + (draw.shotJ * draw.shotsPerHour) / 3600, 'W')} at this pace.`;
    case 'frames': {
      const awake = awakeShare(draw);
      return `That is ${say(awake * draw.awakeW + (1 - awake) * draw.sleepW, 'W')} on the whole.`;
    }
  }
}
