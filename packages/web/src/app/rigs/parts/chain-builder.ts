import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output, signal } from '@angular/core';
import { connectorName, gearTitle, portsOf, withLinks, withoutFeed } from '@viaggio/core';
import type { Input, Link, Offer, Rig } from '@viaggio/core';
import { QuantityPipe } from '../../shared/quantity.pipe';
import { VerdictMark } from '../../shared/verdict-mark';
import { computedLater, valueOf } from '../../workers/computed-later';
import { RigSheet } from '../rig-sheet';
import { SelectField } from '../../fields/select-field';

/** An input that is to be fed next. */
interface OpenInput {
  readonly gearId: string;
  readonly title: string;
  readonly input: Input;
}

/** The chain to a device, part by part from the device back to a source: offered is what mates, and told why the rest does not. */
@Component({
  selector: 'app-chain-builder',
  imports: [QuantityPipe, SelectField, VerdictMark],
  template: `
    @if (made().length > 0) {
      <ol class="made" aria-label="Built so far, from the device back">
        @for (link of made(); track $index) {
          <li>{{ tell(link) }}</li>
        }
      </ol>
      <div class="d-flex flex-wrap gap-2 mb-3">
        <button type="button" class="btn btn-sm btn-outline-secondary" (click)="back()">One step back</button>
        @if (open().length === 0) {
          <button type="button" class="btn btn-sm btn-primary" (click)="built.emit(draft()!)">Use this chain</button>
        } @else {
          <button type="button" class="btn btn-sm btn-outline-primary" (click)="built.emit(draft()!)">Use it so far</button>
        }
      </div>
    }
    @if (open().length > 0) {
      <app-select-field label="Feed which input?" class="mb-3" (picked)="choice.set(+$event)">
        @for (one of open(); track one.gearId + one.input.id; let index = $index) {
          <option [value]="index" [selected]="index === choice()">
            {{ one.input.name }} of {{ one.title }} ({{ connector(one.input) }})
          </option>
        }
      </app-select-field>
      @if (later().is === 'working') {
        <p role="status" class="text-body-secondary">Trying what mates …</p>
      }
      @if (found(); as all) {
        @if (all.offers.length === 0) {
          <p>Nothing in the kit mates with it.</p>
        }
        <ul class="list-unstyled offers" aria-label="What mates">
          @for (offer of all.offers; track offer.title) {
            <li>
              @if (offer.verdict; as verdict) {
                <app-verdict-mark [verdict]="verdict" />
              } @else {
                <span class="next">to be fed</span>
              }
              <div>
                <div>{{ offer.title }}</div>
                @if (offer.flat) {
                  <div class="why verdict-caution">Flat now: charge it first.</div>
                }
                @if (offer.sentence) {
                  <div class="why">{{ offer.sentence }}</div>
                }
                @if (offer.firstStopMin !== undefined) {
                  <div class="why">{{ offer.firstStopMin | quantity: 'min' }} to the first stop of the rig</div>
                }
              </div>
              <button
                type="button"
                class="btn btn-sm btn-outline-primary"
                [attr.aria-label]="'Plug in ' + offer.title"
                (click)="plug(offer)"
              >
                Plug in
              </button>
            </li>
          }
        </ul>
        @if (all.refused.length > 0) {
          <details>
            <summary>Why not the others ({{ all.refused.length }})</summary>
            <ul class="small">
              @for (one of all.refused; track one.gearId) {
                <li>
                  <strong>{{ one.title }}</strong>: {{ one.reason }}
                </li>
              }
            </ul>
          </details>
        }
      }
    } @else {
      <p>The chain reaches its source.</p>
    }
    <p class="usual-caution">Before anything is connected, check volts and polarity with a meter at every joint you make yourself.</p>
  `,
  styles: `
    .made {
      padding-left: 1.2rem;
    }
    .offers li {
      display: grid;
      grid-template-columns: 6rem minmax(0, 1fr) auto;
      gap: 0.25rem 0.75rem;
      align-items: start;
      padding: 0.4rem 0;
      border-top: 1px solid var(--bs-border-color);
    }
    .why,
    .next {
      font-size: 0.85rem;
      color: var(--bs-secondary-color);
    }
    @media (max-width: 480px) {
      .offers li {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChainBuilder {
  readonly deviceId = input.required<string>();
  readonly built = output<Rig>();
  private readonly sheet = inject(RigSheet);
  /** In the order in which they were plugged in: from the device back. */
  protected readonly made = signal<readonly Link[]>([]);
  protected readonly draft = computed(() => {
    const rig = this.sheet.rig();
    if (!rig) return undefined;
    const without = withoutFeed(rig, this.deviceId());
    return withLinks({ ...rig, devices: without.devices }, [...without.links, ...this.made()]);
  });
  protected readonly open = computed((): readonly OpenInput[] => {
    const draft = this.draft();
    if (!draft) return [];
    const fed = (gearId: string): boolean => draft.links.some(({ to }) => to.gearId === gearId);
    const last = this.made().at(-1)?.from.gearId ?? this.deviceId();
    // the part plugged in last, or an earlier one that still waits; a device that is fed may take more at its other inputs
    const waiting = [last, ...this.made().map(({ from }) => from.gearId)].find((id) => this.inputsOf(id).length > 0 && !fed(id));
    return waiting === undefined ? [] : this.inputsOf(waiting);
  });
  protected readonly choice = linkedSignal({ source: this.open, computation: () => 0 });
  protected readonly later = computedLater(
    'feeds',
    () => {
      const [rig, target] = [this.draft(), this.open()[this.choice()]];
      return (
        rig &&
        target && {
          rig,
          kit: this.sheet.settledKit(),
          to: { gearId: target.gearId, portId: target.input.id },
          exclude: this.sheet.exclude(),
        }
      );
    },
    (core, { rig, kit, to, exclude }) => core.offers(rig, kit, to, exclude),
  );
  protected readonly found = computed(() => (this.later().is === 'done' ? valueOf(this.later()) : undefined));
  protected readonly connector = (port: Input): string => connectorName(port.connector);

  protected plug({ link }: Offer): void {
    this.made.update((links) => [...links, link]);
  }

  protected back(): void {
    this.made.update((links) => links.slice(0, -1));
  }

  protected tell({ from, cableId, to }: Link): string {
    const name = (id: string): string => {
      const body = this.sheet.kit().get(id) ?? this.sheet.parts().get(id);
      return body ? gearTitle(body) : id;
    };
    return `${name(to.gearId)} from ${name(from.gearId)}${cableId === undefined ? '' : ` by ${name(cableId)}`}`;
  }

  private inputsOf(gearId: string): readonly OpenInput[] {
    const body = this.sheet.kit().get(gearId) ?? this.sheet.parts().get(gearId);
    return body ? portsOf(body).inputs.map((port) => ({ gearId, title: gearTitle(body), input: port })) : [];
  }
}
