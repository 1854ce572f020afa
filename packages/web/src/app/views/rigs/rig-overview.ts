import { ApplicationRef, ChangeDetectionStrategy, Component, DestroyRef, computed, inject, signal } from '@angular/core';
import { counted } from '../../basics/counted';
import { NgbModal } from '@ng-bootstrap/ng-bootstrap/modal';
import { titleOf } from '@viaggio/core/answer';
import { gearTitle, linksTo, rigShape, withLinks } from '@viaggio/core/gear';
import type { Rig } from '@viaggio/core/gear';
import { formatQuantity } from '@viaggio/core/units';
import { RIG_OPEN, rememberedSet } from '../../device/remembered';
import { TextField } from '../../fields/text-field';
import { valueOf } from '../../workers/computed-later';
import { CoreWorkers } from '../../workers/core-workers';
import { AnswerSections } from '../../parts/answer/answer-sections';
import { AnswerView } from '../../parts/answer/answer-view';
import { BatteryStates } from './parts/battery-states';
import { ConditionsEditor } from '../../parts/conditions-editor';
import type { Conditions } from '../../parts/conditions-editor';
import { DeviceCard } from './parts/device-card';
import { openFeedDialog } from './parts/feed-dialog';
import { MountsEditor } from './parts/mounts-editor';
import { StyleChoice } from './parts/style-choice';
import { RigDock } from './rig-dock';
import type { DockItem } from './rig-dock';
import { RigSheet } from './sheet/rig-sheet';
import { SelectField } from '../../fields/select-field';

/** A feed of each device found at once, shown before it takes the place of what is there. */
interface Solved {
  readonly is: 'found';
  /** The rig that it was looked for. */
  readonly rig: Rig;
  readonly then: Rig;
  readonly ways: readonly { readonly device: string; readonly now: string; readonly then: string }[];
}
type Solving = { readonly is: 'idle' } | { readonly is: 'working' } | { readonly is: 'none'; readonly why: string } | Solved;

/** One rig: its devices and how each is fed on the left, the answer on the right, each change answered and saved at once. */
@Component({
  selector: 'app-rig-overview',
  imports: [
    AnswerSections,
    AnswerView,
    BatteryStates,
    ConditionsEditor,
    DeviceCard,
    MountsEditor,
    RigDock,
    SelectField,
    StyleChoice,
    TextField,
  ],
  template: `
    @let current = sheet.rig();
    @if (current) {
      <div class="overview" [class.beside]="beside()">
        <div class="figures" [hidden]="!beside()">
          @if (open().has('what-if')) {
            <section aria-label="What if">
              <h2>What if</h2>
              <app-text-field label="Name of the rig" [shape]="nameShape" [value]="current.name" (valueChange)="name($event)" />
              <app-style-choice class="mb-1" />
              <app-conditions-editor [conditions]="current" (conditionsChange)="conditions($event)" />
              @if (current.phases; as phases) {
                <p class="small mb-0">
                  It follows {{ phases.length === 1 ? 'one phase' : phases.length + ' phases' }} of its plan document, in which devices
                  change their mode; the mode chosen below is that outside them.
                </p>
              }
            </section>
          }
          @if (open().has('build')) {
            <section aria-label="Devices and their feeds">
              <h2>Devices and how each is fed</h2>
              @for (use of current.devices; track use.gearId) {
                <app-device-card class="d-block mb-3" [use]="use" />
              }
              <app-select-field label="Add a device" class="mb-2" (picked)="add($event); $event = ''">
                <option value="">From the kit …</option>
                @for (choice of addable(); track choice.id) {
                  <option [value]="choice.id">{{ choice.title }}</option>
                }
              </app-select-field>
              <div class="d-flex flex-wrap align-items-center gap-2">
                <button type="button" class="btn btn-sm btn-outline-primary" [disabled]="solving().is === 'working'" (click)="solve()">
                  Feed the whole rig at once
                </button>
                @if (solving().is === 'working') {
                  <span role="status">Trying …</span>
                  <button type="button" class="btn btn-sm btn-outline-secondary" (click)="cancel()">Cancel</button>
                }
              </div>
              @let state = solving();
              @if (state.is === 'none') {
                <p class="small mb-0" role="status">{{ state.why }}</p>
              }
              @if (state.is === 'found' && state.rig === current) {
                <div class="mt-2" role="group" aria-label="What would be fed otherwise">
                  <ul class="list-unstyled small mb-2">
                    @for (way of state.ways; track way.device) {
                      <li class="mb-1">
                        <strong>{{ way.device }}</strong> from {{ way.then
                        }}<span class="text-body-secondary">{{ way.now === way.then ? ', as now' : '; now from ' + way.now }}</span>
                      </li>
                    }
                  </ul>
                  <button type="button" class="btn btn-sm btn-primary me-2" (click)="takeSolved()">Feed it this way</button>
                  <button type="button" class="btn btn-sm btn-outline-secondary" (click)="cancel()">Keep it as it is</button>
                </div>
              }
            </section>
            <section aria-label="Batteries">
              <h2>Batteries</h2>
              <app-battery-states />
            </section>
            <section aria-label="Where things sit">
              <details [open]="current.mounts !== undefined || sits()" (toggle)="sits.set($any($event.target).open)">
                <summary><h2 class="d-inline">Where things sit</h2></summary>
                @if (sits() || current.mounts) {
                  <app-mounts-editor class="d-block mt-1" />
                }
              </details>
            </section>
          }
        </div>
        <ul class="d-none d-print-block list-unstyled small" aria-label="What it is made of">
          @for (way of ways(); track way.device) {
            <li>
              <strong>{{ way.device }}</strong> {{ way.feed }}
            </li>
          }
        </ul>
        @if (sheet.answer(); as found) {
          <div class="answer">
            <app-answer-view
              [answer]="found"
              [parts]="sheet.parts()"
              [name]="current.name"
              [wantedMin]="current.wantedMin"
              [outlook]="sheet.outlook()"
              [remedies]="sheet.remedies()"
              [all]="open().has('findings')"
              (allChange)="opened.toggle('findings', $event)"
              (remedy)="sheet.apply($event)"
            />
            <app-answer-sections
              class="mt-4"
              [answer]="found"
              [open]="open()"
              [wantedMin]="current.wantedMin"
              [range]="range()"
              [hanging]="hanging()"
              [indicators]="sheet.indicators()"
              [criteria]="sheet.criteria()"
              [connecting]="sheet.connecting()"
            />
          </div>
        }
      </div>
      <app-rig-dock [items]="dock()" [open]="open()" [answer]="sheet.answer()" (toggled)="opened.toggle($event)" />
    }
  `,
  styleUrl: './rig-overview.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RigOverview {
  protected readonly sheet = inject(RigSheet);
  private readonly workers = inject(CoreWorkers);
  private readonly modals = inject(NgbModal);
  protected readonly nameShape = rigShape.fields.name;
  /** Whether the places are looked at. */
  protected readonly sits = signal(false);
  protected readonly solving = signal<Solving>({ is: 'idle' });
  protected readonly addable = computed(() => {
    const used = new Set(this.sheet.rig()?.devices.map(({ gearId }) => gearId));
    return [...this.sheet.kit()]
      .filter(([id, body]) => body.kind === 'device' && !used.has(id))
      .map(([id, body]) => ({ id, title: gearTitle(body) }))
      .sort((a, b) => a.title.localeCompare(b.title));
  });

  /** What is open beside and below the answer, as the person left it. */
  protected readonly opened = rememberedSet(RIG_OPEN);
  /** A rig that still lacks a feed opens with what it is built of. */
  protected readonly open = computed((): ReadonlySet<string> => {
    if (this.printing()) return ON_PAPER;
    const open = this.opened.all();
    return this.isUnfed() ? new Set([...open, 'build']) : open;
  });
  private readonly printing = signal(false);
  private readonly isUnfed = computed(() => this.sheet.rig()?.links.length === 0);
  protected readonly beside = computed(() => this.open().has('build') || this.open().has('what-if'));
  protected readonly dock = computed((): readonly DockItem[] => {
    const [rig, answer, criteria] = [this.sheet.rig(), this.sheet.answer(), this.sheet.criteria()];
    if (!rig || !answer) return [];
    const gauges = this.sheet.indicators().length;
    const items: readonly (DockItem & { readonly is: boolean })[] = [
      { name: 'build', title: 'Build', says: counted(rig.devices.length, 'device'), is: !this.isUnfed() },
      { name: 'what-if', title: 'What if', is: true },
      { name: 'gauges', title: 'Gauges', says: String(gauges), is: gauges > 0 },
      { name: 'backups', title: 'Backups', is: answer.run !== undefined },
      {
        name: 'connecting',
        title: 'Connecting',
        says: counted(this.sheet.connecting().length, 'step'),
        is: this.sheet.connecting().length > 0,
      },
      {
        name: 'costs',
        title: 'Cost and mass',
        says: criteria && `${formatQuantity(criteria.massOnG, 'g')} on it`,
        is: criteria !== undefined,
      },
      { name: 'over-time', title: 'Over time', is: answer.run !== undefined },
      { name: 'reasons', title: 'Reasons', says: counted(answer.figures.length, 'figure'), is: answer.figures.length > 0 },
    ];
    return items.filter(({ is }) => is);
  });
  protected readonly range = computed(() => (this.sheet.answer()?.run ? valueOf(this.sheet.outlook()) : undefined));

  protected readonly hanging = computed(() => valueOf(this.sheet.hanging()));

  /** For the printed page, where the fields are left out: each device and the parts that feed it. */
  protected readonly ways = computed(() => {
    const rig = this.sheet.rig();
    const parts = this.sheet.parts();
    return (rig?.devices ?? []).map(({ gearId }) => ({
      device: parts.get(gearId)?.name ?? 'not in the kit any more',
      feed: `from ${titleOf(linksTo(rig!, gearId), parts) || 'nothing'}`,
    }));
  });

  constructor() {
    const application = inject(ApplicationRef);
    const paper = matchMedia('print');
    const look = (): void => {
      this.printing.set(paper.matches);
      // the paper does not wait
      application.tick();
    };
    paper.addEventListener('change', look);
    inject(DestroyRef).onDestroy(() => paper.removeEventListener('change', look));
  }

  protected name(name: string | undefined): void {
    if (name !== undefined) this.sheet.change({ name }, 'name');
  }

  protected conditions(conditions: Conditions): void {
    this.sheet.change(conditions, Object.keys(conditions)[0] ?? 'conditions');
  }

  /** A device comes in unfed, and its feeds are offered at once. */
  protected add(gearId: string): void {
    const rig = this.sheet.rig();
    if (gearId === '' || !rig) return;
    this.sheet.put({ ...rig, devices: [...rig.devices, { gearId }] }, `add ${gearId}`);
    openFeedDialog(this.modals, this.sheet, gearId, 'ranked');
  }

  protected async solve(): Promise<void> {
    const rig = this.sheet.rig();
    if (!rig) return;
    this.solving.set({ is: 'working' });
    try {
      const { best } = await this.workers.core('compare').assign(rig, this.sheet.kit(), this.sheet.weights(), this.sheet.exclude());
      if (this.solving().is !== 'working') return;
      const [first] = best;
      if (!first || first.criteria.unfed > 0) {
        this.solving.set({ is: 'none', why: 'Not every device can be fed at once from this kit. Choose a feed for each.' });
        return;
      }
      // an edit since, or another rig: what was found is of what was there
      if (this.sheet.rig() !== rig) {
        this.solving.set({ is: 'none', why: 'The rig has changed meanwhile: ask again.' });
        return;
      }
      const then = withLinks(rig, first.links);
      const names = new Map([...this.sheet.kit(), ...this.sheet.parts()]);
      const feed = (of: Rig, gearId: string): string => titleOf(linksTo(of, gearId), names) || 'nothing';
      const ways = rig.devices.map(({ gearId }) => ({
        device: names.get(gearId)?.name ?? 'a device that is gone',
        now: feed(rig, gearId),
        then: feed(then, gearId),
      }));
      this.solving.set({ is: 'found', rig, then, ways });
    } catch (error) {
      this.solving.set({ is: 'none', why: `It could not be worked out: ${error instanceof Error ? error.message : String(error)}` });
    }
  }

  /** One step, one undo. */
  protected takeSolved(): void {
    const found = this.solving();
    this.solving.set({ is: 'idle' });
    if (found.is === 'found' && found.rig === this.sheet.rig()) this.sheet.put(found.then, 'solve');
  }

  protected cancel(): void {
    this.workers.cancel('compare');
    this.solving.set({ is: 'idle' });
  }
}

/** What a printed rig tells, whatever is open on the screen. */
const ON_PAPER: ReadonlySet<string> = new Set(['findings', 'gauges', 'backups', 'connecting', 'costs']);
