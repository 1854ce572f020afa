import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import { drawShape, formatQuantity, givenInTest } from '@viaggio/core';
import type { Draw } from '@viaggio/core';
import { QuantityField } from '../fields/quantity-field';
import { SelectField } from '../fields/select-field';
import { choicesOf } from '../fields/choices-of';

type Basis = Draw['basis'];
/** A draw while it is being typed: figures may still be missing. */
type Drafted = {
  readonly [K in 'powerW' | 'voltageV' | 'currentA' | 'energyWh' | 'minutes' | 'temperatureC' | 'lostShare']?: number | undefined;
} & {
  readonly at?: 'device' | 'battery';
};

/** How much a device draws: by the maker's watts, by a meter, or by a test of one's own. */
@Component({
  selector: 'app-draw-editor',
  imports: [QuantityField, RouterLink, SelectField],
  template: `
    <div class="btn-group w-100 mb-2" role="group" aria-label="How the draw is known">
      @for (choice of choices; track choice.basis) {
        <input
          type="radio"
          class="btn-check"
          [id]="group + choice.basis"
          [name]="group"
          [checked]="basis() === choice.basis"
          (change)="choose(choice.basis)"
        />
        <label class="btn btn-outline-primary" [for]="group + choice.basis">{{ choice.title }}</label>
      }
    </div>
    @switch (basis()) {
      @case ('maker') {
        <app-quantity-field
          label="Maker’s watts"
          hint="The plate is a maximum; the draw in use is often less."
          [shape]="shapes.maker.powerW"
          [value]="draft().powerW"
          (valueChange)="set({ powerW: $event })"
        />
      }
      @case ('meter') {
        <div class="pair">
          <app-quantity-field
            label="Meter volts"
            [shape]="shapes.meter.voltageV"
            [value]="draft().voltageV"
            (valueChange)="set({ voltageV: $event })"
          />
          <app-quantity-field
            label="Meter amps"
            [shape]="shapes.meter.currentA"
            [value]="draft().currentA"
            (valueChange)="set({ currentA: $event })"
          />
        </div>
        <app-select-field label="Where the meter sat" [choices]="places" [value]="draft().at ?? 'device'" (picked)="set({ at: $event })" />
      }
      @case ('run-down') {
        <div class="pair">
          <app-quantity-field
            label="A pack of"
            [shape]="shapes['run-down'].energyWh"
            [value]="draft().energyWh"
            (valueChange)="set({ energyWh: $event })"
          />
          <app-quantity-field
            label="lasted"
            placeholder="5 h 10"
            [shape]="shapes['run-down'].minutes"
            [value]="draft().minutes"
            (valueChange)="set({ minutes: $event })"
          />
          <app-quantity-field
            label="at"
            placeholder="25 °C"
            [optional]="true"
            [shape]="shapes['run-down'].temperatureC.of"
            [value]="draft().temperatureC"
            (valueChange)="set({ temperatureC: $event })"
          />
        </div>
      }
    }
    @if (learnt(); as known) {
      <p class="small mb-1">{{ known.how }}. <a routerLink="/log/draws">See how</a></p>
    }
    @if (atBattery()) {
      <app-quantity-field
        label="Lost on the way in that test"
        hint="Empty: the test was through the feed chosen here."
        [optional]="true"
        [shape]="lostShareShape"
        [value]="draft().lostShare"
        (valueChange)="set({ lostShare: $event })"
      />
    }
    <p class="small text-body-secondary mb-0">{{ means() }}</p>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DrawEditor {
  readonly draw = input<Draw | undefined>();
  readonly drawChange = output<Draw>();

  protected readonly shapes = drawShape.variants;
  protected readonly lostShareShape = drawShape.variants.meter.lostShare.of;
  protected readonly places = choicesOf(drawShape.variants.meter.at.options);
  protected readonly choices: readonly { readonly basis: Basis; readonly title: string }[] = [
    { basis: 'maker', title: 'Maker’s watts' },
    { basis: 'meter', title: 'Meter' },
    { basis: 'run-down', title: 'Own test' },
  ];
  protected readonly learnt = computed(() => {
    const draw = this.draw();
    return draw?.basis === 'learnt' ? draw : undefined;
  });
  protected readonly group = `draw-${crypto.randomUUID()}-`;

  protected readonly basis = linkedSignal<Basis>(() => this.draw()?.basis ?? 'maker');
  /** Figures of the bases not chosen stay where they were typed. */
  protected readonly draft = linkedSignal<Draw | undefined, Drafted>({
    source: this.draw,
    computation: (draw, previous) => ({ ...previous?.value, ...draw }),
  });
  protected readonly atBattery = computed(() => this.basis() === 'run-down' || (this.basis() === 'meter' && this.draft().at === 'battery'));
  protected readonly means = computed(() => {
    const given = this.draw();
    const draw = given?.basis === this.basis() ? given : complete(this.basis(), this.draft());
    if (!draw) return 'Both figures are needed before this counts.';
    if (draw.basis === 'maker' || draw.basis === 'learnt') return '';
    if (draw.basis === 'shots' || draw.basis === 'frames') return 'Drawn by the shot or frame; choose another way to replace it.';
    const watts = draw.basis === 'meter' ? draw.voltageV * draw.currentA : givenInTest(draw) / (draw.minutes / 60);
    return `That is ${formatQuantity(watts, 'W')}${this.atBattery() ? ' at the battery' : ''}.`;
  });

  protected choose(basis: Basis): void {
    this.basis.set(basis);
    this.pass();
  }

  protected set(change: Drafted): void {
    this.draft.update((draft) => ({ ...draft, ...change }));
    this.pass();
  }

  private pass(): void {
    const draw = complete(this.basis(), this.draft());
    if (draw) this.drawChange.emit(draw);
  }
}

function complete(basis: Basis, { powerW, voltageV, currentA, energyWh, minutes, temperatureC, lostShare, at }: Drafted): Draw | undefined {
  const lost = lostShare === undefined ? {} : { lostShare };
  switch (basis) {
    case 'maker':
      return powerW === undefined ? undefined : { basis, powerW };
    case 'meter':
      return voltageV === undefined || currentA === undefined
        ? undefined
        : { basis, voltageV, currentA, at: at ?? 'device', ...(at === 'battery' && lost) };
    case 'run-down':
      return energyWh === undefined || minutes === undefined
        ? undefined
        : { basis, energyWh, minutes, ...(temperatureC !== undefined && { temperatureC }), ...lost };
    case 'learnt':
    case 'shots':
    case 'frames':
      return undefined; // kept as they are; not typed here
  }
}
