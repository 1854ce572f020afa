import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Router } from '@angular/router';
import type { Verdict } from '@viaggio/core/answer';
import { compareContacts, judgeTaps, verdictOfContacts, windowOf } from '@viaggio/core/bench';
import type { Contact, Sheet } from '@viaggio/core/bench';
import { gearTitle } from '@viaggio/core/gear';
import { formatDate } from '@viaggio/core/units';
import { VerdictMark } from '../../../basics/verdict-mark';
import { BenchSheets } from '../../../parts/bench-sheets';
import { ListPage } from '../../../parts/list-page';
import type { ListRow } from '../../../parts/list-page';

const BLANK: readonly Contact[] = [
  { name: '1', role: 'plus' },
  { name: '2', role: 'temperature' },
  { name: '3', role: 'data' },
  { name: '4', role: 'minus' },
];

interface SheetRow extends ListRow {
  readonly note: string;
  readonly verdict: Verdict;
  readonly at: string;
}

const ABOUT =
  'An adapter that powers up and dies, a battery that shows no gauge: measure the original’s contacts, then the substitute’s, and see what differs. A pack of cells is only as good as its weakest group.';

/** What was compared contact by contact, and the groups of packs. */
@Component({
  selector: 'app-sheets-page',
  imports: [ListPage, VerdictMark],
  template: `
    <app-list-page heading="Contacts and packs" [about]="about" [groups]="groups()">
      <ng-container acts>
        <button type="button" class="btn btn-primary" (click)="begin('contacts')">Compare contacts</button>
        <button type="button" class="btn btn-outline-primary" [disabled]="!hasPack()" (click)="begin('taps')">
          Measure a balance lead
        </button>
      </ng-container>
      <ng-template let-row>
        <app-verdict-mark [verdict]="row.verdict" />
        <span class="note">{{ row.note }}</span>
      </ng-template>
      <p empty>Nothing compared yet.</p>
    </app-list-page>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SheetsPage {
  private readonly bench = inject(BenchSheets);
  private readonly router = inject(Router);
  private readonly packs = computed(() => this.bench.gearEntries().filter(({ body }) => body.kind === 'battery' && !body.archived));
  protected readonly hasPack = computed(() => this.packs().length > 0);
  protected readonly about = ABOUT;
  protected readonly groups = computed(() => {
    const rows = this.bench.sheets().flatMap(({ id, body }) => this.rowOf(id, body));
    return rows.length === 0 ? [] : [{ rows: rows.sort((a, b) => b.at.localeCompare(a.at)) }];
  });

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

  private rowOf(id: string, sheet: Sheet): readonly SheetRow[] {
    const link = ['/bench/contacts', id];
    const about = `${formatDate(sheet.at.slice(0, 10))}${sheet.by === undefined ? '' : `, ${sheet.by}`}`;
    const gear = this.bench.gear();
    if (sheet.kind === 'contacts') {
      const device = sheet.deviceId === undefined ? undefined : gear.get(sheet.deviceId);
      const verdict = verdictOfContacts(compareContacts(sheet, windowOf(device)));
      return [{ id, link, title: sheet.name, note: `Contacts · ${about}`, verdict, at: sheet.at }];
    }
    if (sheet.kind !== 'taps') return [];
    const battery = gear.get(sheet.batteryId);
    if (battery?.kind !== 'battery') return [];
    const verdict = sheet.volts.every((volts) => volts === 0) ? 'unknown' : judgeTaps(battery.chemistry, sheet.volts, sheet.loaded).verdict;
    return [{ id, link, title: `Balance lead of ${gearTitle(battery)}`, note: about, verdict, at: sheet.at }];
  }
}
