import { writeDown } from '@viaggio/core/bench';
import type { Correction, FaultAnswer } from '@viaggio/core/bench';
import { gearTitle } from '@viaggio/core/gear';
import type { Gear } from '@viaggio/core/gear';
import { FAULT_TESTS, formatDate, formatQuantity } from '@viaggio/core/units';
import type { CauseId, FaultTestId, Symptom } from '@viaggio/core/units';
import { CAUSE_WORDS, sayAnswer, sayCorrection, SYMPTOMS, TEST_WORDS, TOO_THIN_NOTE } from '@viaggio/core/words';
import type { ToldTest } from '@viaggio/core/words';
import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { SelectField } from '../../../fields/select-field';
import { selectRigs } from '../../../state/items.selectors';
import { computedLater, valueOf } from '../../../workers/computed-later';
import { GearDrawing } from '../../../parts/gear/gear-drawing';
import { BenchSheets } from '../../../parts/bench-sheets';

const MOST_CAUSES = 6;

/** The answers of an address: `wiggle.changes,other-lead.gone`; what no table knows is left out. */
function answersOf(tried: string | undefined): readonly FaultAnswer[] {
  return (tried ?? '').split(',').flatMap((one): FaultAnswer[] => {
    const [test, answer] = one.split('.') as [string, string | undefined];
    return test in FAULT_TESTS && answer !== undefined ? [{ test: test as FaultTestId, answer }] : [];
  });
}

/** From a symptom to its cause: what is likely and why, and the next thing to try, answered with one press. */
@Component({
  selector: 'app-fault-page',
  imports: [GearDrawing, RouterLink, SelectField],
  templateUrl: './fault-page.html',
  styleUrl: './fault-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FaultPage {
  protected readonly sayCorrection = sayCorrection;
  /** All of the way stands in the address: it can be left, come back to, and sent on. */
  readonly rig = input<string>();
  readonly device = input<string>();
  readonly symptom = input<string>();
  readonly tried = input<string>();
  private readonly bench = inject(BenchSheets);
  private readonly router = inject(Router);
  private readonly rigs = inject(Store).selectSignal(selectRigs);
  protected readonly symptoms = Object.entries(SYMPTOMS) as readonly (readonly [Symptom, string])[];
  protected readonly rigChoices = computed(() => this.rigs().map(({ id, body }) => [id, body.name] as const));
  protected readonly rigId = computed(() => {
    const asked = this.rig();
    // one that was deleted since is not waited for
    return asked !== undefined && this.bench.rigs().has(asked) ? asked : this.rigChoices()[0]?.[0];
  });
  private readonly body = computed(() => {
    const id = this.rigId();
    return id === undefined ? undefined : this.bench.rigs().get(id);
  });
  protected readonly devices = computed(() =>
    (this.body()?.devices ?? []).flatMap(({ gearId }) => {
      const gear = this.bench.gear().get(gearId);
      return gear ? [[gearId, gearTitle(gear)] as const] : [];
    }),
  );
  protected readonly deviceId = computed(() => this.device() ?? this.devices()[0]?.[0]);
  protected readonly chosen = computed((): Symptom | undefined => {
    const symptom = this.symptom();
    return symptom !== undefined && symptom in SYMPTOMS ? (symptom as Symptom) : undefined;
  });
  protected readonly answers = computed(() => answersOf(this.tried()));
  protected readonly way = computed(() =>
    this.answers().map(({ test, answer }) => ({ test, says: TEST_WORDS[test].says, seen: sayAnswer(test, answer) })),
  );
  private readonly later = computedLater(
    'bench',
    () => {
      const [rig, symptom] = [this.body(), this.chosen()];
      return rig && symptom
        ? {
            rig,
            rigId: this.rigId()!,
            deviceId: this.deviceId(),
            gear: this.bench.gear(),
            symptom,
            answers: this.answers(),
            sheets: this.bench.sheets(),
          }
        : undefined;
    },
    (core, question) => core.fault(question),
  );
  protected readonly found = computed(() => (this.chosen() ? valueOf(this.later()) : undefined));
  protected readonly causes = computed(() => this.found()?.causes.slice(0, MOST_CAUSES) ?? []);
  /** The part that it most likely lies in. */
  protected readonly suspect = computed(() => {
    const along = this.found()?.along ?? [];
    return along.reduce<(typeof along)[number] | undefined>(
      (most, part) => (part.probability > (most?.probability ?? 0) ? part : most),
      undefined,
    )?.id;
  });
  protected readonly gearOf = (id: string): Gear | undefined => this.bench.gear().get(id);
  protected readonly rest = computed(() =>
    (this.found()?.causes.slice(MOST_CAUSES) ?? []).reduce((sum, { probability }) => sum + probability, 0),
  );
  /** Another of the tests that would tell something, instead of the one that tells most. */
  protected readonly instead = signal<FaultTestId | undefined>(undefined);
  protected readonly next = computed((): ToldTest | undefined => {
    const found = this.found();
    return found && (found.others.find(({ test }) => test === this.instead()) ?? found.next);
  });
  protected readonly others = computed(() => {
    const found = this.found();
    return found ? [...(found.next ? [found.next] : []), ...found.others].filter(({ test }) => test !== this.next()?.test) : [];
  });
  protected readonly corrections = computed((): readonly Correction[] => {
    const top = this.causes()[0];
    return top ? writeDown(top.cause, top.part, this.bench.gear(), TOO_THIN_NOTE) : [];
  });
  protected readonly logged = signal('');
  protected readonly past = computed(() =>
    this.bench
      .sheets()
      .flatMap(({ id, body }) => (body.kind === 'fault' ? [{ id, body }] : []))
      .sort((a, b) => b.body.at.localeCompare(a.body.at))
      .map(({ id, body }) => ({
        id,
        rigId: body.rigId,
        symptom: body.symptom,
        tried: body.answers.map(({ test, answer }) => `${test}.${answer}`).join(','),
        title: `${this.bench.rigs().get(body.rigId)?.name ?? 'A rig that is gone'}: ${SYMPTOMS[body.symptom as Symptom] ?? body.symptom}`,
        about: `${formatDate(body.at.slice(0, 10))} · ${body.found !== undefined && body.found in CAUSE_WORDS ? CAUSE_WORDS[body.found as CauseId].says : 'not found'} · ${body.answers.length} tried`,
      })),
  );

  protected readonly percent = (share: number): string => formatQuantity(Math.round(100 * share) / 100, 'fraction');
  protected readonly minutes = (effortMin: number): string => formatQuantity(Math.max(1, Math.round(effortMin)), 'min');

  protected go(changes: Readonly<Record<string, string | undefined>>): void {
    this.instead.set(undefined);
    const queryParams = { rig: this.rigId(), device: this.device(), symptom: this.symptom(), tried: this.tried(), ...changes };
    void this.router.navigate(['/bench/fault'], { queryParams });
  }

  protected answer(test: FaultTestId, answer: string): void {
    this.go({ tried: [...this.answers(), { test, answer }].map((one) => `${one.test}.${one.answer}`).join(',') });
  }

  protected untry(place: number): void {
    const left = this.answers().filter((_, at) => at !== place);
    this.go({ tried: left.length === 0 ? undefined : left.map(({ test, answer }) => `${test}.${answer}`).join(',') });
  }

  protected choose(test: FaultTestId): void {
    this.instead.set(test);
  }

  protected write({ gearId, after, says }: Correction): void {
    this.bench.correct(gearId, after, sayCorrection(says));
  }

  protected log(): void {
    const [rigId, symptom, found] = [this.rigId(), this.chosen(), this.found()];
    if (rigId === undefined || !symptom || !found) return;
    const deviceId = this.deviceId();
    const top = found.is === 'found' ? found.causes[0]?.cause : undefined;
    this.bench.add(crypto.randomUUID(), {
      kind: 'fault',
      ...this.bench.about(),
      rigId,
      ...(deviceId !== undefined && { deviceId }),
      symptom,
      answers: this.answers(),
      ...(top !== undefined && { found: top }),
    });
    this.logged.set(this.tried() ?? 'nothing');
  }

  protected isLogged(): boolean {
    return this.logged() === (this.tried() ?? 'nothing');
  }
}
