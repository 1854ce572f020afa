import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { NgbDropdownModule } from '@ng-bootstrap/ng-bootstrap/dropdown';
import { withBlocks } from '@viaggio/core/day';
import type { Block } from '@viaggio/core/day';
import type { Issue } from '@viaggio/core/units';
import { download, fileName } from '../../../device/download';
import { FileDrop } from '../../../basics/file-drop';
import { CoreWorkers } from '../../../workers/core-workers';
import { DaySheet } from '../sheet/day-sheet';
import { SelectField } from '../../../fields/select-field';

/** A file that was read, before it is accepted. */
interface Preview {
  readonly name: string;
  readonly blocks: readonly Block[];
  readonly issues: readonly Issue[];
}

/** The day as a calendar and as a table, out and in: what would change is shown first, and taken in one step. */
@Component({
  selector: 'app-day-files',
  imports: [FileDrop, NgbDropdownModule, SelectField],
  template: `
    <div class="d-flex flex-wrap gap-2 acts">
      <div ngbDropdown class="d-inline-block">
        <button type="button" class="btn btn-sm btn-outline-secondary" ngbDropdownToggle id="day-export">Export</button>
        <div ngbDropdownMenu aria-labelledby="day-export">
          <button ngbDropdownItem type="button" (click)="calendar()">Calendar (.ics): blocks and changes of battery</button>
          <button ngbDropdownItem type="button" (click)="table()">Blocks, as CSV</button>
        </div>
      </div>
      <button type="button" class="btn btn-sm btn-outline-secondary" [attr.aria-expanded]="open()" (click)="open.set(!open())">
        Import
      </button>
    </div>
    @if (open()) {
      <section class="mt-2" aria-label="Import blocks">
        <div class="pair">
          <div>
            <app-select-field label="Events that name no rig are of" (picked)="picked.set($event)">
              @for (rig of rigs(); track rig.id) {
                <option [value]="rig.id" [selected]="rig.id === rigId()">{{ rig.name }}</option>
              }
            </app-select-field>
          </div>
          <div>
            <p class="small mb-1">A calendar (.ics), or a table (.csv) with the columns rig, from, to, and more if wanted.</p>
            <app-file-drop accept=".ics,.csv,text/calendar,text/csv" (chosen)="read($event)" />
          </div>
        </div>
        @if (preview(); as found) {
          <p class="mb-1">
            <strong>{{ found.name }}:</strong> {{ counts() }}
          </p>
          @for (fault of found.issues; track $index) {
            <p class="mb-1 small verdict-caution">{{ fault.message }}</p>
          }
          <button type="button" class="btn btn-sm btn-primary me-2" [disabled]="found.blocks.length === 0" (click)="accept(found)">
            Take them
          </button>
          <button type="button" class="btn btn-sm btn-outline-secondary" (click)="preview.set(undefined)">Cancel</button>
        }
      </section>
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DayFiles {
  private readonly sheet = inject(DaySheet);
  private readonly workers = inject(CoreWorkers);
  protected readonly open = signal(false);
  protected readonly preview = signal<Preview | undefined>(undefined);
  protected readonly picked = signal<string | undefined>(undefined);
  protected readonly rigs = computed(() =>
    (this.sheet.day()?.rigIds ?? []).map((id) => ({ id, name: this.sheet.rigs().get(id)?.name ?? 'A rig that is gone' })),
  );
  protected readonly rigId = computed(() => this.picked() ?? this.rigs()[0]?.id ?? '');
  protected readonly counts = computed(() => {
    const known = new Set(this.sheet.day()?.blocks.map(({ id }) => id));
    const blocks = this.preview()?.blocks ?? [];
    const changed = blocks.filter(({ id }) => known.has(id)).length;
    return `${blocks.length - changed} new, ${changed} of this day’s own, ${this.preview()?.issues.length ?? 0} that cannot be taken.`;
  });

  protected async calendar(): Promise<void> {
    const day = this.sheet.day()!;
    const text = await this.workers.core('table').dayCalendar(day, this.sheet.gear(), this.sheet.rigs(), Date.now());
    download(fileName(day.name, 'ics'), text, 'text/calendar');
  }

  protected async table(): Promise<void> {
    const day = this.sheet.day()!;
    download(fileName(day.name, 'csv'), await this.workers.core('table').blocksTable(day, this.sheet.rigs()), 'text/csv');
  }

  protected async read(file: File): Promise<void> {
    const text = await file.text();
    const day = this.sheet.day()!;
    const found = await this.workers.core('table').readBlocks(text, day, this.rigId(), this.sheet.rigs());
    this.preview.set({ name: file.name, ...found });
  }

  protected accept({ blocks }: Preview): void {
    this.sheet.change({ blocks: withBlocks(this.sheet.day()!, blocks).blocks }, `import ${Date.now()}`);
    this.preview.set(undefined);
    this.open.set(false);
  }
}
