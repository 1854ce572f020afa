import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { chargerOf, clockAt, fits } from '@viaggio/core/day';
import type { Day } from '@viaggio/core/day';
import { gearTitle, isFlat, whyNotAtHand } from '@viaggio/core/gear';
import type { Battery, Gear } from '@viaggio/core/gear';
import { kitNightDay, plugIn, takeOff } from '@viaggio/core/travel';
import { CHEMISTRIES, formatClock, formatDate, formatDuration } from '@viaggio/core/units';
import type { ToldChargingRow } from '@viaggio/core/words';
import { ChargerStrip } from '../../../parts/charger-strip';
import { CheckField } from '../../../fields/check-field';
import { ClockField } from '../../../fields/clock-field';
import { SelectField } from '../../../fields/select-field';
import { percent, time } from '../../../parts/timeline/say-moment';
import { ownZone } from '../../../fields/zones';
import { ScanButton } from '../../../parts/scan/scan-button';
import { localDate, shownMoment } from '../../../device/dates';
import { Items } from '../../../state/items.actions';
import { selectDays, selectGearBodies, selectRigBodies } from '../../../state/items.selectors';
import { computedLater, valueOf } from '../../../workers/computed-later';
import { dayPrepared } from '../../../parts/day-prepared';

const FULL = 0.97;
const KIT = 'kit';
/** Kept on this device: when one is up. */
const AWAKE = 'viaggio.awake';

const SHORT = [
  {
    why: 'late',
    title: 'Too late',
    remedy: 'Start them earlier, put them on the strongest charger that fits, or take full ones in their place.',
  },
  { why: 'no-slot', title: 'No slot comes free while somebody is up', remedy: 'Bring another charger, or charge them elsewhere.' },
  { why: 'no-charger', title: 'No charger that is there fits', remedy: '' },
  { why: 'cannot', title: 'Not to be charged here', remedy: '' },
] as const;

interface Slot {
  readonly charger: string;
  readonly place: string;
  readonly rows: readonly ShownRow[];
}

interface ShownRow {
  readonly row: ToldChargingRow;
  readonly tag: string;
  readonly name: string;
  readonly on: string;
  readonly full: string;
  readonly charge: string;
  readonly since: string | undefined;
  readonly isFull: boolean;
}

/** What goes on which charger tonight, what is full when, what will not be; ticked when plugged in and when full. */
@Component({
  selector: 'app-charge-page',
  imports: [ChargerStrip, CheckField, ClockField, RouterLink, ScanButton, SelectField],
  templateUrl: './charge-page.html',
  styleUrl: './charge-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChargePage {
  private readonly store = inject(Store);
  private readonly days = this.store.selectSignal(selectDays);
  private readonly gear = this.store.selectSignal(selectGearBodies);
  private readonly rigs = this.store.selectSignal(selectRigBodies);
  /** A day, or the kit as it lies there. */
  protected readonly from = linkedSignal(() => this.nearest()?.id ?? KIT);
  private readonly nearest = computed(() => dayPrepared(this.days(), localDate(new Date())));
  protected readonly sources = computed((): readonly (readonly [string, string])[] => [
    [KIT, 'the kit, as it lies there'],
    ...[...this.days()]
      .sort((a, b) => b.body.date.localeCompare(a.body.date))
      .map(({ id, body }) => [id, `${body.name}, ${formatDate(body.date)}`] as const),
  ]);
  protected readonly kit = KIT;
  protected readonly isKit = computed(() => this.from() === KIT);
  protected readonly untilMin = signal(7 * 60);
  protected readonly awake = signal(awakeKept());
  private readonly chosenBatteries = signal<ReadonlySet<string> | undefined>(undefined);
  private readonly chosenChargers = signal<ReadonlySet<string> | undefined>(undefined);

  /** The kit as it was when the list was made: what is ticked meanwhile does not move the list under the hand. */
  private readonly then = linkedSignal({ source: () => [this.from(), this.made()], computation: () => untracked(this.gear) });
  protected readonly made = signal(0);

  protected readonly batteries = computed(() => {
    const chosen = this.chosenBatteries();
    return this.own()
      .filter(({ body }) => body.kind === 'battery' && !CHEMISTRIES[body.chemistry].isPrimary)
      .map(({ id, body }) => ({ id, title: gearTitle(body), battery: body as Battery }))
      .map(({ id, title, battery }) => ({
        id,
        label: `${title}, ${battery.charge === undefined ? 'charge not entered' : percent(battery.charge)}`,
        on: chosen ? chosen.has(id) : battery.charge === undefined || battery.charge < FULL || isFlat(battery),
      }));
  });
  protected readonly chargers = computed(() => {
    const chosen = this.chosenChargers();
    const batteries = this.own().flatMap(({ body }) => (body.kind === 'battery' ? [body] : []));
    return this.own().flatMap(({ id, body }) => {
      const charger = chargerOf(body);
      if (!charger || !batteries.some((battery) => fits(charger, battery))) return [];
      return [{ id, label: gearTitle(body), on: chosen ? chosen.has(id) : true }];
    });
  });
  private readonly own = computed(() => [...this.then()].flatMap(([id, body]) => (whyNotAtHand(body) === undefined ? [{ id, body }] : [])));
  private readonly day = computed((): Day | undefined => {
    const from = this.from();
    if (from !== KIT) return this.days().find(({ id }) => id === from)?.body;
    const now = new Date();
    const date = localDate(now);
    const fromMin = now.getHours() * 60 + now.getMinutes();
    const untilMin = this.untilMin() > fromMin ? this.untilMin() : this.untilMin() + 24 * 60;
    const on = (all: readonly { readonly id: string; readonly on: boolean }[]): readonly string[] =>
      all.flatMap((one) => (one.on ? [one.id] : []));
    return kitNightDay({
      batteryIds: on(this.batteries()),
      chargerIds: on(this.chargers()),
      date,
      fromMin,
      untilMin,
      awake: this.awake(),
      zone: ownZone(),
    });
  });
  private readonly later = computedLater(
    'pack',
    () => {
      const day = this.day();
      return day && { day, gear: this.then(), rigs: this.rigs(), until: this.isKit() ? this.untilOf(day) : undefined };
    },
    (core, { day, gear, rigs, until }) => core.night(day, gear, rigs, until),
  );
  protected readonly night = computed(() => valueOf(this.later()));
  protected readonly working = computed(() => this.later().is === 'working' || this.later().is === 'idle');
  protected readonly until = computed(() => {
    const night = this.night();
    return night ? time(night.day, night.untilMin) : '';
  });

  protected readonly slots = computed((): readonly Slot[] => {
    const night = this.night();
    if (!night) return [];
    const slots = new Map<string, ToldChargingRow[]>();
    for (const row of night.rows) slots.set(row.chargerId, [...(slots.get(row.chargerId) ?? []), row]);
    return [...slots.values()].map((rows) => ({
      charger: rows[0]!.charger,
      place: rows[0]!.place === 'Here' ? '' : (rows[0]!.place ?? ''),
      rows: rows.map((row) => this.shown(row, night.day)),
    }));
  });
  protected readonly done = computed(
    () =>
      this.slots()
        .flatMap(({ rows }) => rows)
        .filter(({ isFull }) => isFull).length,
  );
  protected readonly total = computed(() => this.night()?.rows.length ?? 0);
  protected readonly notFull = computed(() => this.night()?.notFull ?? []);
  /** By cause, since a night has many of each: `S1 35 min`. */
  protected readonly shortBy = computed(() =>
    SHORT.flatMap(({ why, title, remedy }) => {
      const own = this.notFull().filter((one) => one.why === why);
      const each = own.map(({ batteryId, battery, charge, lateMin, says }) => {
        const tag = this.gear().get(batteryId)?.tag ?? battery;
        if (why === 'cannot') return `${tag}: ${says}`;
        return lateMin === undefined ? tag : `${tag} (${percent(charge)}, ${formatDuration(lateMin)} more)`;
      });
      return own.length === 0 ? [] : [{ why, title, remedy, says: each.join(why === 'cannot' ? ' ' : ', ') }];
    }),
  );

  protected chooseBattery(id: string, on: boolean): void {
    this.chosenBatteries.set(toggled(this.batteries(), id, on));
  }

  protected chooseCharger(id: string, on: boolean): void {
    this.chosenChargers.set(toggled(this.chargers(), id, on));
  }

  protected setAwake(changes: Partial<{ from: number; to: number }>): void {
    const next = { ...this.awake(), ...changes };
    this.awake.set(next);
    localStorage.setItem(AWAKE, JSON.stringify(next));
  }

  protected plug({ batteryId, chargerId }: ToldChargingRow, on: boolean): void {
    this.edit(batteryId, (battery) => (on ? plugIn(battery, new Date().toISOString(), chargerId) : withoutPlug(battery)), 'plugged');
  }

  protected full({ batteryId }: ToldChargingRow): void {
    this.edit(batteryId, (battery) => takeOff(battery), 'full');
  }

  /** A scanned battery goes on where it is planned; one that is on comes off full. */
  protected readonly scanned = (id: string): string => {
    const row = this.night()?.rows.find(({ batteryId }) => batteryId === id);
    const battery = this.gear().get(id);
    if (!row || battery?.kind !== 'battery') return `${battery ? gearTitle(battery) : 'That'} is not on this list.`;
    if (battery.plugged) {
      this.full(row);
      return `${row.battery}: full.`;
    }
    this.plug(row, true);
    return `${row.battery}: on ${row.charger}.`;
  };

  private edit(id: string, next: (battery: Battery) => Gear, field: string): void {
    const battery = this.gear().get(id);
    if (battery?.kind !== 'battery') return;
    this.store.dispatch(Items.edit({ kind: 'gear', id, body: next(battery), field: `${field} ${Date.now()}`, at: Date.now() }));
  }

  private shown(row: ToldChargingRow, day: Day): ShownRow {
    const battery = this.gear().get(row.batteryId);
    const now = battery?.kind === 'battery' ? battery : undefined;
    const wasFull = this.then().get(row.batteryId);
    const isFull = (now?.charge ?? 0) >= FULL && now !== wasFull && now?.plugged === undefined;
    return {
      row,
      tag: battery?.tag ?? '',
      name: battery?.name ?? row.battery,
      on: clock(day, row.onMin),
      full: row.fullMin === undefined ? `${percent(row.toCharge)} at ${clock(day, row.offMin)}` : clock(day, row.fullMin),
      charge: percent(row.fromCharge),
      since: now?.plugged && shownMoment(new Date(now.plugged.since)),
      isFull,
    };
  }

  private untilOf({ startsAt = 0 }: Day): number {
    return this.untilMin() > startsAt ? this.untilMin() : this.untilMin() + 24 * 60;
  }
}

/** Within a night the clock alone says when. */
function clock(day: Day, minute: number): string {
  return formatClock(clockAt(day, minute).time);
}

function toggled(all: readonly { readonly id: string; readonly on: boolean }[], id: string, on: boolean): ReadonlySet<string> {
  return new Set(all.filter((one) => (one.id === id ? on : one.on)).map((one) => one.id));
}

function withoutPlug({ plugged: _plugged, ...battery }: Battery): Battery {
  return battery;
}

function awakeKept(): { readonly from: number; readonly to: number } {
  try {
    const kept = JSON.parse(localStorage.getItem(AWAKE) ?? '') as { from?: unknown; to?: unknown };
    if (typeof kept.from === 'number' && typeof kept.to === 'number') return { from: kept.from, to: kept.to };
  } catch {
    // nothing kept yet
  }
  return { from: 6 * 60, to: 23 * 60 };
}
