import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { gearTitle } from '@viaggio/core/gear';
import { OWN_TEMPLATES } from '@viaggio/core/travel';
import type { OwnItem, PackThing } from '@viaggio/core/travel';
import { sayLack, sayWhy } from '@viaggio/core/words';
import { PickerField } from '../../../fields/picker-field';
import type { Choice } from '../../../fields/picker-field';
import { SelectField } from '../../../fields/select-field';
import { KIND_TITLES } from '../../../parts/gear/kinds';
import { ScanButton } from '../../../parts/scan/scan-button';
import { gearOfCode } from '../../../parts/scan/read-code';
import { counted } from '../../../basics/counted';
import { VerdictMark } from '../../../basics/verdict-mark';
import { StandingMark } from '../../../parts/marks/standing-mark';
import type { CheckGlance } from '../../../workers/bench-calls';
import type { RigGlance } from '../../../workers/rig-calls';
import { computedLater, valueOf } from '../../../workers/computed-later';
import { rememberedSet } from '../../../device/remembered';
import { TripSheet } from './trip-sheet';

type Way = 'out' | 'home';

interface Line {
  readonly id: string;
  readonly title: string;
  readonly tag: string | undefined;
  readonly count: number;
  readonly why: string;
  readonly bag: string | undefined;
  readonly isTicked: boolean;
  readonly isLeft: boolean;
  /** Packed on the way out, and not yet for home. */
  readonly isBehind: boolean;
  readonly isOwn: boolean;
  readonly isAlso: boolean;
  readonly text: string;
}

interface Group {
  readonly title: string;
  readonly lines: readonly Line[];
  readonly missing: number;
}

interface LackLine {
  readonly says: string;
  readonly ids: readonly string[];
}
interface LackGroup {
  readonly title: string;
  readonly lines: readonly LackLine[];
}

const SECTIONS = 'viaggio.pack-open';

/** A rig of the trip as it is judged everywhere, and where its check stands; undefined while that is worked out. */
interface JudgedRig {
  readonly id: string;
  readonly name: string;
  readonly glance: RigGlance | undefined;
  readonly check: CheckGlance | undefined;
}

/** What goes along and why, ticked off by a press, a typed tag or a scan; what is not there; what nobody uses. */
@Component({
  selector: 'app-list-page',
  imports: [PickerField, RouterLink, ScanButton, SelectField, StandingMark, VerdictMark],
  templateUrl: './list-page.html',
  styleUrl: './list-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ListPage {
  protected readonly sheet = inject(TripSheet);
  protected readonly way = signal<Way>('out');
  protected readonly search = signal('');
  protected readonly onlyMissing = signal(false);
  /** By bag once something lies in one. */
  protected readonly by = linkedSignal((): 'bag' | 'kind' => (this.hasBags() ? 'bag' : 'kind'));
  private readonly hasBags = computed(() => (this.sheet.trip()?.things ?? []).some(({ bagId }) => bagId !== undefined));
  protected readonly ways = [
    ['out', 'Way out'],
    ['home', 'Way home'],
  ] as const;
  protected readonly groupings = [
    ['bag', 'by bag'],
    ['kind', 'by kind'],
  ] as const;
  private readonly open = rememberedSet(SECTIONS, ['checks', 'lacks']);
  /** What the last typed tag came to. */
  protected readonly told = signal<{ readonly says: string; readonly isKnown: boolean } | undefined>(undefined);
  protected readonly templates = Object.entries(OWN_TEMPLATES).map(([id, { title, items }]) => ({ id, title, items }));

  private readonly lines = computed((): readonly Line[] => {
    const trip = this.sheet.trip();
    const bags = new Map((trip?.bags ?? []).map(({ id, name }) => [id, name]));
    const way = this.way();
    return (this.sheet.packed()?.list.things ?? []).map((thing) => lineOf(thing, this.sheet.stateOf(thing.id), bags, way));
  });
  /** What is to be packed this way: out all but what stays at home; home only what was taken out. */
  protected readonly due = computed(() => {
    const isOut = this.way() === 'out';
    return this.lines().filter((line) => !line.isLeft && (isOut || line.isBehind || line.isTicked));
  });
  protected readonly done = computed(() => this.due().filter(({ isTicked }) => isTicked).length);
  protected readonly missing = computed(() => this.due().filter(({ isTicked }) => !isTicked));
  protected readonly groups = computed((): readonly Group[] => {
    const words = this.search()
      .toLowerCase()
      .split(/\s+/)
      .filter((word) => word !== '');
    const shown = (this.way() === 'out' ? this.lines() : this.due()).filter(
      (line) => words.every((word) => line.text.includes(word)) && (!this.onlyMissing() || (!line.isTicked && !line.isLeft)),
    );
    const things = new Map((this.sheet.packed()?.list.things ?? []).map((thing) => [thing.id, thing]));
    const titleOf = (line: Line): string => {
      if (line.isLeft) return 'Stays at home';
      if (this.by() === 'bag') return line.bag ?? 'In no bag yet';
      const kind = things.get(line.id)?.kind;
      return kind === undefined || kind === 'own' ? 'Own items' : KIND_TITLES[kind].many;
    };
    const groups = new Map<string, Line[]>();
    for (const line of shown) groups.set(titleOf(line), [...(groups.get(titleOf(line)) ?? []), line]);
    const bags = (this.sheet.trip()?.bags ?? []).map(({ name }) => name);
    const rank = (title: string): number => (title === 'Stays at home' ? 1e6 : this.by() === 'bag' ? bags.indexOf(title) + 1 || 1e5 : 0);
    return [...groups]
      .map(([title, lines]) => ({ title, lines, missing: lines.filter((line) => !line.isTicked && !line.isLeft).length }))
      .sort((a, b) => rank(a.title) - rank(b.title));
  });

  /** By rig, and a part once where it hangs in several. */
  protected readonly lacks = computed((): readonly LackGroup[] => {
    const seen = new Set<string>();
    const groups = new Map<string, LackLine[]>();
    for (const lack of this.sheet.packed()?.list.lacks ?? []) {
      const key = `${lack.is} ${lack.id}`;
      if (seen.has(key)) continue;
      seen.add(key);
      const title = lack.is === 'no-stand-in' ? lack.rig : 'Beside the rigs';
      const ids = 'inKit' in lack ? lack.inKit.slice(0, 1).map(({ id }) => id) : [];
      groups.set(title, [...(groups.get(title) ?? []), { says: sayLack(lack, title), ids }]);
    }
    return [...groups].map(([title, lines]) => ({ title, lines }));
  });
  protected readonly lackCount = computed(() => this.lacks().reduce((sum, { lines }) => sum + lines.length, 0));
  /** One press takes all along that the kit has. */
  protected readonly helpIds = computed(() => [...new Set(this.lacks().flatMap(({ lines }) => lines.flatMap(({ ids }) => ids)))]);
  protected readonly unused = computed(() => {
    const { unused = [], things = [] } = this.sheet.packed()?.list ?? {};
    return things.filter(({ id }) => unused.includes(id));
  });
  protected readonly there = computed(() => (this.sheet.packed()?.list.there ?? []).map(({ title }) => title));
  private readonly tripRigs = computed(() => {
    const all = this.sheet.rigs();
    const rigs = new Map((this.sheet.packed()?.list.rigIds ?? []).flatMap((id) => [[id, all.get(id)] as const]).filter(isThere));
    return { rigs, gear: this.sheet.gear(), sheets: this.sheet.sheets() };
  });
  /** How each rig is judged, and whether it was measured before power; in a lane of its own, so that the list does not wait. */
  private readonly glances = computedLater('rigs', this.tripRigs, (core, { rigs, gear, sheets }) =>
    core.rigGlances(rigs, gear, new Map(sheets.map(({ id, body }) => [id, body]))),
  );
  private readonly checks = computedLater('rigs', this.tripRigs, (core, { rigs, gear, sheets }) => core.checkGlances(rigs, gear, sheets));
  protected readonly judged = computed((): readonly JudgedRig[] => {
    const [glances, checks] = [valueOf(this.glances()), valueOf(this.checks())];
    return [...this.tripRigs().rigs].map(([id, { name }]) => ({ id, name, glance: glances?.get(id), check: checks?.get(id) }));
  });
  protected readonly choices = computed((): readonly Choice[] => {
    const along = new Set(this.lines().map(({ id }) => id));
    return this.sheet
      .gearEntries()
      .filter(({ id, body }) => !along.has(id) && !body.archived)
      .map(({ id, body }) => ({ value: id, title: gearTitle(body), group: KIND_TITLES[body.kind].one }));
  });
  protected readonly counted = counted;

  protected isOpen(section: string): boolean {
    return this.open.all().has(section);
  }

  protected toggle(section: string, on: boolean): void {
    this.open.toggle(section, on);
  }

  protected tick(id: string, on: boolean): void {
    this.sheet.say(id, { [this.way()]: on ? new Date().toISOString() : undefined });
  }

  /** Typed and closed by Enter: a tag that is on the list is ticked; anything else stays as a search. */
  protected enter(text: string, box: HTMLInputElement): void {
    const id = gearOfCode(text, this.sheet.gear());
    if (id === undefined) return;
    this.told.set({ says: this.scanned(id), isKnown: this.lines().some((line) => line.id === id) });
    this.search.set('');
    box.value = '';
  }

  /** Ticks what was scanned; says what came of it. */
  protected readonly scanned = (id: string): string => {
    const line = this.lines().find((one) => one.id === id);
    const title = line?.tag ?? line?.title ?? this.sheet.gear().get(id)!.tag ?? gearTitle(this.sheet.gear().get(id)!);
    if (!line) return `${title} is not on this list.`;
    if (line.isTicked) return `${title} was ticked already.`;
    this.tick(id, true);
    const left = this.missing().length;
    return `${title}: packed. ${left === 0 ? 'Nothing is missing.' : `${left} still missing.`}`;
  };

  protected stay(line: Line, left: boolean): void {
    this.sheet.say(line.id, { left, ...(left && { out: undefined }) });
  }

  protected drop(line: Line): void {
    const trip = this.sheet.trip()!;
    if (line.isOwn) this.sheet.change({ own: (trip.own ?? []).filter(({ id }) => id !== line.id) }, `own ${line.id}`);
    else this.sheet.change({ gearIds: (trip.gearIds ?? []).filter((id) => id !== line.id) }, `along ${line.id}`);
  }

  protected addGear(id: string): void {
    this.sheet.alongToo([id]);
  }

  /** `4 × sandbag`, `2 tape`, `tape`. */
  protected addOwn(text: string): void {
    const [, count, name = ''] = /^\s*(?:(\d{1,3})\s*[x×]?\s+)?(.+?)\s*$/i.exec(text.trim()) ?? [];
    if (name !== '') this.addItems([{ name: name.slice(0, 120), count: Math.max(1, Number(count ?? 1)) }]);
  }

  protected addItems(items: readonly Omit<OwnItem, 'id'>[]): void {
    const { own = [] } = this.sheet.trip()!;
    const added = items.filter(({ name }) => !own.some((one) => one.name === name)).map((item) => ({ ...item, id: crypto.randomUUID() }));
    if (added.length > 0) this.sheet.change({ own: [...own, ...added] }, `own ${added[0]!.id}`);
  }

  protected async suggest(): Promise<void> {
    await this.sheet.suggest(false);
  }
}

function isThere<T>(one: readonly [string, T | undefined]): one is readonly [string, T] {
  return one[1] !== undefined;
}

function lineOf(thing: PackThing, state: ReturnType<TripSheet['stateOf']>, bags: ReadonlyMap<string, string>, way: Way): Line {
  const why = thing.why.map(sayWhy).join('; ');
  const bag = state.bagId === undefined ? undefined : bags.get(state.bagId);
  return {
    id: thing.id,
    title: thing.gear?.name ?? thing.title,
    tag: thing.tag,
    count: thing.count,
    why,
    bag,
    isTicked: state[way] !== undefined,
    isLeft: state.left === true,
    isBehind: state.out !== undefined && state.home === undefined,
    isOwn: thing.kind === 'own',
    isAlso: thing.why.every(({ is }) => is === 'also'),
    text: `${thing.tag ?? ''} ${thing.title} ${why} ${bag ?? ''}`.toLowerCase(),
  };
}
