import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { Router } from '@angular/router';
import { Store } from '@ngrx/store';
import { areOld, flightRulesShape, flightRulesTitle, USUAL_FLIGHT_RULES } from '@viaggio/core/travel';
import type { FlightRules } from '@viaggio/core/travel';
import { missingFields } from '@viaggio/core/units';
import { ShapeForm } from '../../../fields/shape-form';
import { FileDrop } from '../../../basics/file-drop';
import { PageMenu } from '../../../basics/page-menu';
import type { PageAct } from '../../../basics/page-menu';
import { download, fileName } from '../../../device/download';
import { localDate } from '../../../device/dates';
import { Items } from '../../../state/items.actions';
import { selectRules } from '../../../state/items.selectors';

const FORMAT = 'viaggio-flight-rules';

/** What carriers let fly, as dated data: the usual rules, and those of each carrier. */
@Component({
  selector: 'app-rules-page',
  imports: [FileDrop, PageMenu, ShapeForm],
  template: `
    <div class="page-head">
      <h1>Flight rules</h1>
      <div class="page-acts">
        <button type="button" class="btn btn-primary" (click)="add()">Add a carrier</button>
        <app-page-menu of="the flight rules" [acts]="acts()" />
      </div>
    </div>
    <p class="about">
      Rules change, and a carrier may be stricter than the usual ones. Copy what yours publishes, with its date; a leg of a trip names the
      carrier. <strong>The carrier and the local authority decide.</strong>
    </p>
    <div class="two">
      <ul class="list-unstyled">
        <li>
          <button type="button" class="row" [class.now]="open() === undefined" (click)="show(undefined)">
            <strong>The usual rules</strong> <small>as of {{ usual.asOf }}</small>
          </button>
        </li>
        @for (one of rows(); track one.id) {
          <li>
            <button type="button" class="row" [class.now]="open()?.id === one.id" (click)="show(one.id)">
              <strong>{{ one.body.carrier ?? 'A carrier' }}</strong>
              <small [class.verdict-caution]="isOld(one.body)"
                >{{ isOld(one.body) ? '◆ ' : '' }}as of {{ one.body.asOf }}{{ isOld(one.body) ? ': look them up again' : '' }}</small
              >
            </button>
          </li>
        }
        <li class="in"><app-file-drop accept=".json,application/json" says="Rules from a file" (chosen)="read($event)" /></li>
        @if (told(); as says) {
          <li role="alert" class="verdict-stop">{{ says }}</li>
        }
      </ul>
      @if (open(); as one) {
        <section class="card-box" [attr.aria-label]="title(one.body)">
          @if (isOld(one.body)) {
            <p class="usual-caution">These are of {{ one.body.asOf }}. Look at what the carrier publishes now, then change the date.</p>
          }
          <app-shape-form [shape]="shape" [value]="one.body" [omit]="['unknown']" (valueChange)="edit(one.id, $event)" />
        </section>
      } @else {
        <section class="card-box" aria-label="The usual rules">
          <p>{{ usual.source }}. They count where a leg names no carrier, and cannot be changed: add a carrier to set others.</p>
          <dl>
            @for (line of usualLines; track line[0]) {
              <div>
                <dt>{{ line[0] }}</dt>
                <dd>{{ line[1] }}</dd>
              </div>
            }
          </dl>
        </section>
      }
    </div>
  `,
  styles: `
    .about {
      max-width: 46rem;
    }
    .two {
      display: grid;
      grid-template-columns: minmax(13rem, 18rem) minmax(0, 1fr);
      gap: var(--space-4);
      align-items: start;
    }
    .row {
      display: grid;
      width: 100%;
      padding: var(--space-2) var(--space-3);
      color: inherit;
      text-align: left;
      background: none;
      border: 0;
      border-radius: var(--radius);
    }
    .row.now,
    .row:hover {
      background: var(--bs-tertiary-bg);
    }
    .in {
      margin-top: var(--space-4);
    }
    dl div {
      display: grid;
      grid-template-columns: minmax(10rem, 1fr) minmax(0, 2fr);
      gap: var(--space-2);
      padding: var(--space-1) 0;
      border-bottom: 1px solid var(--bs-border-color);
    }
    dt {
      font-weight: 400;
    }
    dd {
      margin: 0;
      font-variant-numeric: tabular-nums;
    }
    @media (max-width: 700px) {
      .two {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RulesPage {
  /** The set that is open, from the address; the usual ones without. */
  readonly item = input<string>();
  private readonly store = inject(Store);
  private readonly router = inject(Router);
  protected readonly rows = this.store.selectSignal(selectRules);
  protected readonly open = computed(() => this.rows().find(({ id }) => id === this.item()));
  protected readonly usual = USUAL_FLIGHT_RULES;
  protected readonly shape = flightRulesShape;
  protected readonly told = signal<string | undefined>(undefined);
  protected readonly title = flightRulesTitle;
  protected readonly usualLines: readonly (readonly [string, string])[] = linesOf(USUAL_FLIGHT_RULES);
  protected readonly acts = computed((): readonly PageAct[] => {
    const one = this.open();
    const notNow = one ? undefined : 'Choose a carrier’s rules first.';
    return [
      { title: 'Save these as a file (JSON)', icon: 'exported', notNow, do: () => this.save(one!.body) },
      { title: 'Delete these', icon: 'remove', takesAway: true, notNow, do: () => this.remove(one!.id, one!.body) },
    ];
  });

  protected isOld(rules: FlightRules): boolean {
    return areOld(rules, localDate(new Date()));
  }

  protected show(id: string | undefined): void {
    // the first that is opened is a step of its own: Back closes it
    const replaceUrl = this.item() !== undefined || id === undefined;
    void this.router.navigate([], { queryParams: { item: id ?? null }, replaceUrl });
  }

  /** Like the usual ones until what the carrier publishes is entered; dated so that nobody takes them for read. */
  protected add(): void {
    this.keep({ ...USUAL_FLIGHT_RULES, carrier: 'New carrier', source: 'Not looked up yet: the usual rules' });
  }

  protected edit(id: string, body: FlightRules): void {
    this.store.dispatch(Items.edit({ kind: 'rules', id, body, field: 'rules', at: Date.now() }));
  }

  protected async read(file: File): Promise<void> {
    this.told.set(undefined);
    try {
      const { format, ...rules } = JSON.parse(await file.text()) as { format?: unknown } & FlightRules;
      if (format !== FORMAT) throw new Error(`format: expected “${FORMAT}”; got “${String(format).slice(0, 60)}”.`);
      const [missing] = missingFields(flightRulesShape, rules);
      if (missing) throw new Error(`${missing.path}: expected ${missing.expected}.`);
      this.keep(rules);
    } catch (error) {
      this.told.set(`${file.name}: ${error instanceof Error ? error.message : String(error)}`);
    }
  }

  private save(rules: FlightRules): void {
    const { unknown: _unknown, ...plain } = rules;
    download(
      fileName(`flight rules ${flightRulesTitle(rules)}`, 'json'),
      `${JSON.stringify({ format: FORMAT, ...plain }, undefined, 2)}\n`,
      'application/json',
    );
  }

  private keep(after: FlightRules): void {
    const id = crypto.randomUUID();
    this.store.dispatch(Items.change({ step: { changes: [{ kind: 'rules', id, after }], field: 'new-rules', at: Date.now() } }));
    this.show(id);
  }

  private remove(id: string, before: FlightRules): void {
    const title = `“${flightRulesTitle(before)}” is deleted`;
    this.store.dispatch(Items.change({ step: { changes: [{ kind: 'rules', id, before }], field: 'rules-gone', at: Date.now(), title } }));
    this.show(undefined);
  }
}

function linesOf(rules: FlightRules): readonly (readonly [string, string])[] {
  return [
    ['Lithium-ion free up to', `${rules.freeWh} Wh`],
    ['With the carrier’s approval up to', `${rules.approvalWh} Wh, ${rules.approvalSpares} spares each`],
    ['Spares each person', rules.spares === undefined ? 'no limit' : `${rules.spares}`],
    ['Lead-acid, non-spillable', `to ${rules.leadAcidV} V and ${rules.leadAcidWh} Wh, ${rules.leadAcidSpares} spares each`],
    ['Lithium metal', `free to ${rules.freeLithiumG} g, with approval to ${rules.approvalLithiumG} g`],
    ['Spares and banks', 'in the cabin only, terminals covered'],
  ];
}
