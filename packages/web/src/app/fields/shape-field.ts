import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Fields, ListShape, NumberShape, Shape, TextShape } from '@viaggio/core/units';
import { QuantityField } from './quantity-field';
import { SelectField } from './select-field';
import { TextField } from './text-field';
import { CheckField } from './check-field';

interface FormField {
  readonly key: string;
  readonly shape: Shape;
  readonly optional: boolean;
}

/** One field of a shape, whatever it holds: the fields inside it are this component again. */
@Component({
  selector: 'app-shape-field',
  imports: [CheckField, QuantityField, TextField, SelectField],
  template: `
    @switch (shape().kind) {
      @case ('number') {
        <app-quantity-field [shape]="asNumber()" [optional]="optional()" [value]="asFigure()" (valueChange)="valueChange.emit($event)" />
      }
      @case ('text') {
        <app-text-field [shape]="asText()" [optional]="optional()" [value]="asWord()" (valueChange)="valueChange.emit($event)" />
      }
      @case ('boolean') {
        <app-check-field [label]="shape().title" [value]="value() === true" (valueChange)="valueChange.emit($event || undefined)" />
      }
      @case ('choice') {
        <app-select-field [label]="shape().title" (picked)="valueChange.emit($event || undefined)">
          <option value="" [selected]="value() === undefined" [disabled]="!optional()">
            {{ optional() ? 'not entered' : 'Choose …' }}
          </option>
          @for (choice of choices(); track choice[0]) {
            <option [value]="choice[0]" [selected]="value() === choice[0]">{{ choice[1] }}</option>
          }
        </app-select-field>
      }
      @case ('list') {
        <fieldset class="list">
          <legend>{{ shape().title }}</legend>
          @for (item of items(); track $index; let index = $index) {
            <div class="item">
              <app-shape-field [shape]="asList().item" [value]="item" (valueChange)="setItem(index, $event)" />
              @if (items().length > asList().minItems) {
                <button
                  type="button"
                  class="btn btn-sm btn-outline-danger mt-1"
                  [attr.aria-label]="'Remove ' + asList().item.title + ' ' + (index + 1)"
                  (click)="removeItem(index)"
                >
                  Remove
                </button>
              }
            </div>
          }
          @if (items().length < asList().maxItems) {
            <button type="button" class="btn btn-sm btn-outline-secondary" (click)="addItem()">
              Add {{ asList().item.title.toLowerCase() }}
            </button>
          }
        </fieldset>
      }
      @default {
        @if (value() === undefined && optional()) {
          <button type="button" class="btn btn-sm btn-outline-secondary" (click)="valueChange.emit(blank())">
            Add {{ shape().title.toLowerCase() }}
          </button>
        } @else {
          @if (tag(); as tag) {
            <app-select-field class="mb-1" label="{{ shape().title }} {{ tag.name }}" (picked)="setTag($event)">
              @for (choice of tag.options; track choice) {
                <option [value]="choice" [selected]="choice === tag.value">{{ choice }}</option>
              }
            </app-select-field>
          }
          <div class="pair">
            @for (field of simple(); track field.key) {
              <app-shape-field
                [shape]="field.shape"
                [optional]="field.optional"
                [value]="valueAt(field.key)"
                (valueChange)="setField(field.key, $event)"
              />
            }
          </div>
          @for (field of composite(); track field.key) {
            <div class="inner">
              @if (field.shape.kind !== 'list') {
                <div class="inner-title">
                  {{ field.shape.title }}
                  @if (field.optional && valueAt(field.key) !== undefined) {
                    <button
                      type="button"
                      class="btn btn-sm btn-link p-0"
                      [attr.aria-label]="'Remove ' + field.shape.title"
                      (click)="setField(field.key, undefined)"
                    >
                      remove
                    </button>
                  }
                </div>
              }
              <app-shape-field
                [shape]="field.shape"
                [optional]="field.optional"
                [value]="valueAt(field.key)"
                (valueChange)="setField(field.key, $event)"
              />
            </div>
          }
        }
      }
    }
  `,
  styles: `
    :host {
      display: block;
    }
    .list,
    .inner {
      margin-top: 0.5rem;
    }
    legend,
    .inner-title {
      margin-bottom: 0.25rem;
      font-size: 0.9rem;
      font-weight: 600;
    }
    .item,
    .inner > app-shape-field {
      display: block;
      margin-bottom: 0.5rem;
      padding-left: 0.75rem;
      border-left: 3px solid var(--bs-border-color);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ShapeField {
  readonly shape = input.required<Shape>();
  readonly value = input<unknown>();
  readonly optional = input(false);
  readonly omit = input<readonly string[]>([]);
  readonly valueChange = output<unknown>();
  protected readonly asFigure = computed(() => this.value() as number | undefined);
  protected readonly asWord = computed(() => this.value() as string | undefined);
  protected readonly asNumber = computed(() => this.shape() as NumberShape);
  protected readonly asText = computed(() => this.shape() as TextShape);
  protected readonly asList = computed(() => this.shape() as ListShape<Shape>);
  protected readonly choices = computed(() => {
    const shape = this.shape();
    return shape.kind === 'choice' ? Object.entries(shape.options) : [];
  });
  protected readonly items = computed(() => (this.value() ?? []) as readonly unknown[]);
  protected readonly tag = computed(() => {
    const shape = this.shape();
    if (shape.kind !== 'tagged' || this.omit().includes(shape.tag)) return undefined;
    return { name: shape.tag, options: Object.keys(shape.variants), value: this.valueAt(shape.tag) };
  });
  private readonly fields = computed((): readonly FormField[] =>
    Object.entries(fieldsOf(this.shape(), this.value()))
      .map(([key, field]): FormField => ({ key, shape: field.kind === 'optional' ? field.of : field, optional: field.kind === 'optional' }))
      .filter(({ key, shape }) => !this.omit().includes(key) && !isForeign(shape)),
  );
  protected readonly simple = computed(() => this.fields().filter(({ shape }) => isSimple(shape)));
  protected readonly composite = computed(() => this.fields().filter(({ shape }) => !isSimple(shape)));

  protected valueAt(key: string): unknown {
    return (this.value() as Readonly<Record<string, unknown>> | undefined)?.[key];
  }

  protected blank(): unknown {
    return blankOf(this.shape(), []);
  }

  protected setField(key: string, value: unknown): void {
    const { [key]: _before, ...rest } = (this.value() ?? {}) as Record<string, unknown>;
    this.valueChange.emit(value === undefined ? rest : { ...rest, [key]: value });
  }

  /** What the other variant has of the same name stays. */
  protected setTag(value: string): void {
    const shape = this.shape();
    if (shape.kind !== 'tagged') return;
    const known = new Set(Object.keys(shape.variants[value] ?? {}));
    const kept = Object.entries(this.value() ?? {}).filter(([key]) => known.has(key));
    this.valueChange.emit({ ...Object.fromEntries(kept), [shape.tag]: value });
  }

  protected setItem(index: number, value: unknown): void {
    this.valueChange.emit(this.items().map((item, place) => (place === index ? value : item)));
  }

  protected addItem(): void {
    this.valueChange.emit([...this.items(), blankOf(this.asList().item, this.items())]);
  }

  protected removeItem(index: number): void {
    const left = this.items().filter((_, place) => place !== index);
    this.valueChange.emit(left.length === 0 && this.optional() ? undefined : left);
  }
}

function fieldsOf(shape: Shape, value: unknown): Fields {
  if (shape.kind === 'object') return shape.fields;
  if (shape.kind !== 'tagged') return {};
  return shape.variants[String((value as Record<string, unknown> | undefined)?.[shape.tag])] ?? {};
}

function isSimple({ kind }: Shape): boolean {
  return kind === 'number' || kind === 'text' || kind === 'boolean' || kind === 'choice';
}

/** What a foreign document held beside the known fields is kept, not edited. */
function isForeign(shape: Shape): boolean {
  return shape.kind === 'any' || (shape.kind === 'list' && shape.item.kind === 'object' && shape.item.fields['value']?.kind === 'any');
}

/** A new thing of a shape: nothing is filled in but what tells it apart. */
function blankOf(shape: Shape, beside: readonly unknown[]): unknown {
  switch (shape.kind) {
    case 'object':
      return blankFields(shape.fields, beside);
    case 'tagged': {
      const [first] = Object.keys(shape.variants);
      return { [shape.tag]: first, ...blankFields(shape.variants[first!]!, beside) };
    }
    case 'list':
      return Array.from({ length: shape.minItems }, (_, index) => blankOf(shape.item, Array.from({ length: index })));
    default:
      return undefined;
  }
}

function blankFields(fields: Fields, beside: readonly unknown[]): object {
  const entries = Object.entries(fields).map(([key, field]) => {
    if (field.kind === 'optional') return [key, undefined];
    return [key, key === 'id' && field.kind === 'text' ? freeId(beside) : blankOf(field, [])];
  });
  return Object.fromEntries(entries.filter(([, value]) => value !== undefined)) as object;
}

function freeId(beside: readonly unknown[]): string {
  const taken = new Set(beside.map((item) => (item as { id?: string } | undefined)?.id));
  let number = beside.length + 1;
  while (taken.has(`p${number}`)) number++;
  return `p${number}`;
}
