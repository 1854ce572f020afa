import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import type { Verdict } from '@viaggio/core/answer';
import { compareContacts, judgeTaps, verdictOfContacts, windowOf } from '@viaggio/core/bench';
import type { Contact, Sheet } from '@viaggio/core/bench';
import { gearTitle } from '@viaggio/core/gear';
import { formatDate } from '@viaggio/core/units';
import { VerdictMark } from '../../../basics/verdict-mark';
import { BenchSheets } from '../../../parts/bench-sheets';

const BLANK: readonly Contact[] = [
  { name: '1', role: 'plus' },
  { name: '2', role: 'temperature' },
  { name: '3', role: 'data' },
  { name: '4', role: 'minus' },
];

/** What was compared contact by contact, and the groups of packs. */
@Component({
  selector: 'app-sheets-page',
  imports: [RouterLink, VerdictMark],
  template: `
    <div class="page-head">
      <h1>Contacts and packs</h1>
      <div class="page-acts">
        <button type="button" class="btn btn-primary" (click)="begin('contacts')">Compare contacts</button>
        <button type="button" class="btn btn-outline-primary" [disabled]="!hasPack()" (click)="begin('taps')">
          Measure a balance lead
        </button>
      </div>
    </div>
    <p class="about">
      An adapter that powers up and dies, a battery that shows no gauge: measure the original’s contacts, then the substitute’s, and see
      what differs. A pack of cells is only as good as its weakest group.
    </p>
    <ul class="list-unstyled rows">
      @for (row of rows(); track row.id) {
        <li>
          <a class="card-box" [routerLink]="['/bench/contacts', row.id]">
            <strong>{{ row.title }}</strong>
            <app-verdict-mark [verdict]="row.verdict" />
            <span class="of">{{ row.about }}</span>
          </a>
        </li>
      } @empty {
        <li>Nothing compared yet.</li>
      }
    </ul>
  `,
  styles: `
    .about {
      max-width: 44rem;
    }
    .rows {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(min(100%, 19rem), 1fr));
      gap: var(--space-2);
    }
    .rows a {
      display: grid;
      gap: var(--space-1);
      color: inherit;
      text-decoration: none;
    }
    .of {
      font-size: var(--type-note);
      color: var(--bs-secondary-color);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SheetsPage {
  private readonly bench = inject(BenchSheets);
  private readonly router = inject(Router);
  private readonly packs = computed(() => this.bench.ownFirst().filter(({ body }) => body.kind === 'battery' && !body.archived));
  protected readonly hasPack = computed(() => this.packs().length > 0);
  protected readonly rows = computed(() =>
    this.bench
      .sheets()
      .flatMap(({ id, body }) => this.rowOf(id, body))
      .sort((a, b) => b.at.localeCompare(a.at)),
  );

  protected begin(kind: 'contacts' | 'taps'): void {
    const id = crypto.randomUUID();
    const about = this.bench.about();
    const pack = this.packs().find(({ body }) => body.kind === 'battery' && body.form === 'pack') ?? this.packs()[0];
    const cells = (pack?.body.kind === 'battery' ? pack.body.cellsInSeries : undefined) ?? 2;
    const sheet: Sheet | undefined =
      kind === 'contacts'
        ? { kind, ...about, name: 'Substitute beside the original', contacts: BLANK }
        : pack && { kind, ...about, batteryId: pack.id, volts: Array.from({ length: cells }, () => 0) };
    if (!sheet) return;
    this.bench.add(id, sheet);
    void this.router.navigate(['/bench/contacts', id]);
  }

  private rowOf(id: string, sheet: Sheet): readonly { id: string; title: string; about: string; verdict: Verdict; at: string }[] {
    const about = `${formatDate(sheet.at.slice(0, 10))}${sheet.by === undefined ? '' : `, ${sheet.by}`}`;
    const gear = this.bench.gear();
    if (sheet.kind === 'contacts') {
      const device = sheet.deviceId === undefined ? undefined : gear.get(sheet.deviceId);
      const verdict = verdictOfContacts(compareContacts(sheet, windowOf(device)));
      return [{ id, title: sheet.name, about: `Contacts · ${about}`, verdict, at: sheet.at }];
    }
    if (sheet.kind !== 'taps') return [];
    const battery = gear.get(sheet.batteryId);
    if (battery?.kind !== 'battery') return [];
    const verdict = sheet.volts.every((volts) => volts === 0) ? 'unknown' : judgeTaps(battery.chemistry, sheet.volts, sheet.loaded).verdict;
    return [{ id, title: `Balance lead of ${gearTitle(battery)}`, about, verdict, at: sheet.at }];
  }
}
