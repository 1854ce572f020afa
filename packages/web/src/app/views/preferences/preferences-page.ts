import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { formatClock, formatDate, formatQuantity } from '@viaggio/core/units';
import { SelectField } from '../../fields/select-field';
import { LONGEST_CURRENCY, PREFERENCE_CHOICES, Preferences } from '../../device/preferences';

type Field = keyof typeof PREFERENCE_CHOICES;

const TITLES: Readonly<Record<Field, string>> = {
  theme: 'Colours',
  density: 'Lines and tables',
  mass: 'Mass',
  temperature: 'Temperature',
  length: 'Length',
  decimal: 'Decimal mark',
  clock: 'Clock',
  date: 'Dates',
  weekStart: 'The week begins on',
};
const WORDS: Readonly<Record<string, string>> = {
  system: 'as the device',
  light: 'light, for the desk',
  dark: 'dark, for the set',
  g: 'grams and kilograms',
  oz: 'ounces and pounds',
  C: 'Celsius',
  F: 'Fahrenheit',
  mm: 'millimetres and metres',
  in: 'inches and feet',
  '.': 'point: 14.4',
  ',': 'comma: 14,4',
  'day first': 'day first: 13 Jan',
  'month first': 'month first: Jan 13',
  'year first': 'year first: 2026-01-13',
  1: 'Monday',
  6: 'Saturday',
  7: 'Sunday',
};
const GROUPS: readonly { readonly title: string; readonly fields: readonly Field[] }[] = [
  { title: 'Look', fields: ['theme', 'density'] },
  { title: 'Figures', fields: ['mass', 'temperature', 'length', 'decimal'] },
  { title: 'Time', fields: ['clock', 'date', 'weekStart'] },
];

/** How a person likes it: units, clock, dates, currency, colours, room; kept on this device. */
@Component({
  selector: 'app-preferences-page',
  imports: [SelectField],
  template: `
    <div class="page-head"><h1>Preferences</h1></div>
    <p class="text-body-secondary">
      Kept on this device. They change what you read, here and on paper; what is kept, and the plan document, stay metric.
    </p>
    <div class="groups">
      @for (group of groups; track group.title) {
        <section [attr.aria-label]="group.title">
          <h2>{{ group.title }}</h2>
          @for (field of group.fields; track field) {
            <app-select-field
              class="mb-2"
              [label]="titles[field]"
              [choices]="choicesOf(field)"
              [value]="'' + preferences.all()[field]"
              (picked)="set(field, $event)"
            />
          }
        </section>
      }
      <section aria-label="Prices">
        <h2>Prices</h2>
        <label class="form-label" for="currency">Prices are in</label>
        <input
          #money
          id="currency"
          class="form-control"
          placeholder="€, SEK"
          autocomplete="off"
          [attr.maxlength]="longest"
          [value]="preferences.currency()"
          (input)="preferences.set({ currency: money.value })"
        />
        <h2 class="mt-4">So it reads</h2>
        <p class="card-box" data-testid="sample">{{ sample() }}</p>
      </section>
    </div>
  `,
  styles: `
    .groups {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(15rem, 1fr));
      gap: var(--space-5);
      max-width: 72rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PreferencesPage {
  protected readonly preferences = inject(Preferences);
  protected readonly groups = GROUPS;
  protected readonly titles = TITLES;
  protected readonly longest = LONGEST_CURRENCY;
  protected readonly choicesOf = (field: Field): readonly (readonly [string, string])[] =>
    PREFERENCE_CHOICES[field].map((one) => [String(one), WORDS[one] ?? String(one)]);

  protected set(field: Field, chosen: string): void {
    const value = PREFERENCE_CHOICES[field].find((one) => String(one) === chosen);
    if (value !== undefined) this.preferences.set({ [field]: value });
  }

  protected sample(): string {
    const { currency } = this.preferences.all();
    const say = formatQuantity;
    return `${formatDate('2026-01-13')}, ${formatClock('15:05')}: ${say(-5, 'C')}, a battery of ${say(14.4, 'V')} and ${say(640, 'g')}, a lead of ${say(0.6, 'm')}, ${`${say(180, 'price')} ${currency}`.trim()}.`;
  }
}
