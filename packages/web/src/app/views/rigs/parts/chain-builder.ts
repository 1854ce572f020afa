import type { Offer } from '@viaggio/core/answer';
import { connectorName, gearTitle, linksTo, portsOf, withLinks, withoutFeed } from '@viaggio/core/gear';
import type { Gear, Input, Link, Rig } from '@viaggio/core/gear';
import { sayFeed, sayFinding } from '@viaggio/core/words';
import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output, signal } from '@angular/core';
import { QuantityPipe } from '../../../basics/quantity.pipe';
import { VerdictMark } from '../../../basics/verdict-mark';
import { computedLater, valueOf } from '../../../workers/computed-later';
import { RigSheet } from '../sheet/rig-sheet';
import { SelectField } from '../../../fields/select-field';

/** What an input of a rig’s part is chosen by. */
export function slotKey(gearId: string, portId: string): string {
  return `${gearId}/${portId}`;
}

/** An input that is to be fed next. */
interface OpenInput {
  /** Which it is, however the others come and go. */
  readonly key: string;
  readonly gearId: string;
  readonly title: string;
  readonly input: Input;
  /** What is plugged in there now. */
  readonly holds: string | undefined;
}

/** The chain to a device, part by part from the device back to a source: offered is what fits, and told why the rest does not. */
@Component({
  selector: 'app-chain-builder',
  imports: [QuantityPipe, SelectField, VerdictMark],
  template: `
    @if (made().length > 0) {
      <ol class="made" aria-label="Chain so far, from the device back">
        @for (link of made(); track key(link)) {
          <li>
            {{ tell(link) }}
            <button type="button" class="btn btn-sm btn-link p-0" [attr.aria-label]="'Unplug: ' + tell(link)" (click)="unplug(link)">
              Unplug
            </button>
          </li>
        }
      </ol>
    }
    @if (changes(); as changed) {
      @if (changed.out.length > 0) {
        <p class="small mb-1">Comes out: {{ changed.out.join('; ') }}.</p>
      }
    }
    <div class="d-flex flex-wrap gap-2 mb-3">
      @if (steps().length > 0) {
        <button type="button" class="btn btn-sm btn-outline-secondary" (click)="back()">One step back</button>
      }
      @if (made().length > 0) {
        <button type="button" class="btn btn-sm btn-outline-secondary" (click)="anew()">Start again</button>
      }
      @if (steps().length > 0) {
        <button
          type="button"
          class="btn btn-sm"
          [class.btn-primary]="isFed()"
          [class.btn-outline-primary]="!isFed()"
          (click)="built.emit(draft()!)"
        >
          {{ isFed() ? 'Use this chain' : 'Use what is built' }}
        </button>
      }
    </div>
    @if (isFed()) {
      <p>The chain reaches its source. More can be plugged in below.</p>
    }
    @if (open().length > 0) {
      <app-select-field label="Feed which input?" class="mb-3" (picked)="chosen.set($event)">
        @for (one of open(); track one.key) {
          <option [value]="one.key" [selected]="one === target()">
            {{ one.input.name }} of {{ one.title }} ({{ connector(one.input) }}){{ one.holds ? ', now ' + one.holds : '' }}
          </option>
        }
      </app-select-field>
      @if (target()?.holds; as holds) {
        <p class="small mb-2">What is plugged in there takes the place of {{ holds }}.</p>
      }
      @if (later().is === 'working') {
        <p role="status" class="text-body-secondary">Trying what fits …</p>
      }
      @if (found(); as all) {
        @if (all.offers.length === 0) {
          <p>Nothing in the kit fits it.</p>
        }
        <ul class="list-unstyled offers" aria-label="What fits">
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
                @if (offer.worst; as worst) {
                  <div class="why">{{ sayFinding(worst) }}</div>
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
                  <strong>{{ one.title }}</strong>: {{ sayFeed(one.reason) }}
                </li>
              }
            </ul>
          </details>
        }
      }
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
  protected readonly sayFinding = sayFinding;
  protected readonly sayFeed = sayFeed;
  readonly deviceId = input.required<string>();
  /** The input that is to be fed first. */
  readonly first = input<string>();
  readonly built = output<Rig>();
  private readonly sheet = inject(RigSheet);
  /** The links of the rig after each step; the rig's own before the first. */
  protected readonly steps = signal<readonly (readonly Link[])[]>([]);
  protected readonly draft = computed(() => {
    const rig = this.sheet.rig();
    const links = this.steps().at(-1);
    return rig && (links ? withLinks(rig, links) : rig);
  });
  /** What feeds the device, from it back. */
  protected readonly made = computed((): readonly Link[] => {
    const draft = this.draft();
    return draft ? [...linksTo(draft, this.deviceId())].reverse() : [];
  });
  /** What of the rig as it is comes out. */
  protected readonly changes = computed(() => {
    const [rig, draft] = [this.sheet.rig(), this.draft()];
    const still = new Set(draft?.links.map((link) => this.key(link)));
    return { out: (rig?.links ?? []).filter((link) => !still.has(this.key(link))).map((link) => this.tell(link)) };
  });
  /** The device first, then what stands before it. */
  private readonly parts = computed(() => [...new Set([this.deviceId(), ...this.made().map(({ from }) => from.gearId)])]);
  /** Parts that hand power on, or the device, with nothing plugged into them. */
  private readonly waiting = computed(() => {
    const fed = new Set(this.draft()?.links.map(({ to }) => to.gearId));
    return this.parts().filter((id) => !fed.has(id) && this.inputsOf(id).length > 0);
  });
  protected readonly isFed = computed(() => this.waiting().length === 0);
  /** Every input on the way: what waits first, then the rest, taken ones with what is in them. */
  protected readonly open = computed((): readonly OpenInput[] => {
    const waiting = [...this.waiting()].reverse();
    return [...new Set([...waiting, ...this.parts()])].flatMap((id) => this.inputsOf(id));
  });
  /** What was chosen of them; each step begins with the first again, the whole with the slot that was pressed. */
  protected readonly chosen = linkedSignal<readonly OpenInput[], string | undefined>({
    source: this.open,
    computation: () => (this.steps().length === 0 ? this.first() : undefined),
  });
  protected readonly target = computed(() => this.open().find(({ key }) => key === this.chosen()) ?? this.open()[0]);
  protected readonly later = computedLater(
    'feeds',
    () => {
      const [rig, target] = [this.draft(), this.target()];
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

  /** What was in the input comes out, with all that only it needed. */
  protected plug(offer: Offer): void {
    // pressed in the moment in which it went
    if (!this.found()?.offers.includes(offer)) return;
    const { link } = offer;
    const { to } = link;
    this.step((links) => [...links.filter((one) => one.to.gearId !== to.gearId || one.to.portId !== to.portId), link]);
  }

  protected unplug(link: Link): void {
    this.step((links) => links.filter((one) => this.key(one) !== this.key(link)));
  }

  protected anew(): void {
    const rig = this.draft();
    if (rig) this.steps.update((steps) => [...steps, withoutFeed(rig, this.deviceId()).links]);
  }

  protected back(): void {
    this.steps.update((steps) => steps.slice(0, -1));
  }

  private step(change: (links: readonly Link[]) => readonly Link[]): void {
    const rig = this.draft();
    if (!rig) return;
    const links = change(rig.links);
    const wanted = new Set(rig.devices.flatMap(({ gearId }) => linksTo({ links }, gearId)));
    this.steps.update((steps) => [...steps, links.filter((link) => wanted.has(link))]);
  }

  protected key({ from, to }: Link): string {
    return `${from.gearId}/${from.portId} ${to.gearId}/${to.portId}`;
  }

  protected tell({ from, cableId, to }: Link): string {
    const by = cableId === undefined ? '' : ` by ${this.nameOf(cableId)}`;
    return `${this.portOf(to, 'inputs')} from ${this.portOf(from, 'outputs')}${by}`;
  }

  /** `Battery bay of Skuadon 60`; a part of one port needs no more than its name. */
  private portOf({ gearId, portId }: Link['from'], side: 'inputs' | 'outputs'): string {
    const body = this.bodyOf(gearId);
    const ports = body ? portsOf(body)[side] : [];
    const port = ports.find(({ id }) => id === portId);
    return ports.length > 1 && port ? `${port.name} of ${this.nameOf(gearId)}` : this.nameOf(gearId);
  }

  private nameOf(id: string): string {
    const body = this.bodyOf(id);
    return body ? gearTitle(body) : id;
  }

  private bodyOf(id: string): Gear | undefined {
    return this.sheet.kit().get(id) ?? this.sheet.parts().get(id);
  }

  private inputsOf(gearId: string): readonly OpenInput[] {
    const body = this.bodyOf(gearId);
    if (!body) return [];
    const holding = new Map(this.draft()?.links.flatMap(({ from, to }) => (to.gearId === gearId ? [[to.portId, from.gearId]] : [])));
    return portsOf(body)
      .inputs.filter(({ noPower }) => noPower !== true)
      .map((port) => {
        const from = holding.get(port.id);
        const holds = from === undefined ? undefined : this.nameOf(from);
        return { key: slotKey(gearId, port.id), gearId, title: gearTitle(body), input: port, holds };
      });
  }
}
