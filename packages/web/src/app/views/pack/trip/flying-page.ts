import { flightRulesTitle, flyersOf, gateLine } from '@viaggio/core/travel';
import type { FlownThing, LegVerdict } from '@viaggio/core/travel';
import { formatQuantity } from '@viaggio/core/units';
import { sayFlight } from '@viaggio/core/words';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { TripSheet } from './trip-sheet';

const WORDS: Readonly<Record<LegVerdict, string>> = {
  free: '● free',
  approval: '◆ ask the carrier',
  never: '■ not in baggage',
  unknown: '○ not known',
};
const CLASSES: Readonly<Record<LegVerdict, string>> = { free: 'good', approval: 'caution', never: 'stop', unknown: 'unknown' };
const ORDER: readonly LegVerdict[] = ['never', 'unknown', 'approval', 'free'];

/** What may fly on which leg, by which rule, and who carries what. */
@Component({
  selector: 'app-flying-page',
  imports: [RouterLink],
  templateUrl: './flying-page.html',
  styleUrl: './flying-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FlyingPage {
  protected readonly sheet = inject(TripSheet);
  protected readonly flight = computed(() => this.sheet.packed()?.flight);
  protected readonly words = WORDS;
  protected readonly classes = CLASSES;
  protected readonly legs = computed(() =>
    (this.flight()?.legs ?? []).map(({ leg, rules, areOld, areGone }) => ({
      id: leg.id,
      name: leg.name,
      on: leg.on,
      rules: areGone ? `The carrier’s rules are gone; used: ${flightRulesTitle(rules)}` : flightRulesTitle(rules),
      source: rules.source,
      areOld,
      toLookUp: areOld && !areGone,
    })),
  );
  protected readonly rows = computed(() => {
    const names = new Map(this.legs().map(({ id, name }) => [id, name]));
    return [...(this.flight()?.batteries ?? [])]
      .sort((a, b) => ORDER.indexOf(a.verdict) - ORDER.indexOf(b.verdict) || (b.printed.energyWh ?? 0) - (a.printed.energyWh ?? 0))
      .map((one) => ({
        id: one.id,
        title: one.title,
        holds: one.printed.energyWh === undefined ? 'not entered' : formatQuantity(one.printed.energyWh, 'Wh'),
        role: one.role === 'installed' ? 'installed' : 'spare',
        // legs that say the same say it once
        legs: one.legs.every(({ verdict }) => verdict === one.verdict)
          ? [{ legId: 'all', verdict: one.verdict, name: '' }]
          : one.legs.map((leg) => ({ ...leg, name: names.get(leg.legId) ?? '' })),
        sent: one.sent,
        // legs with the same words say them once
        rules: [...new Set(one.legs.map(({ rule }) => rule.map(sayFlight).join(' ')))],
        verdict: one.verdict,
        carriedBy: one.carriedBy?.name,
        canInstall: this.sheet.gear().get(one.id)?.kind === 'battery',
      }));
  });
  protected readonly ask = computed(() => (this.flight()?.batteries ?? []).filter(({ verdict, sent }) => verdict === 'approval' && !sent));
  protected readonly old = computed(() => this.legs().some(({ areOld }) => areOld));
  protected readonly short = computed(() => (this.flight()?.short ?? []).map(sayFlight));
  /** Never well by itself while the carrier has to agree, or rules are so old that they may have changed. */
  protected readonly verdict = computed((): LegVerdict => {
    const possible = this.flight()?.possible;
    if (possible !== true) return possible === false ? 'never' : 'unknown';
    return this.ask().length > 0 || this.old() ? 'approval' : 'free';
  });
  protected readonly carriers = computed(() => {
    const trip = this.sheet.trip();
    const batteries = this.flight()?.batteries ?? [];
    return (trip ? flyersOf(trip) : []).map((person) => {
      const own = batteries.filter(({ carriedBy }) => carriedBy?.id === person.id);
      return { name: person.name, says: countsOf(own), titles: own.map(({ title }) => title.split(':')[0]!).join(', ') };
    });
  });

  protected titles(batteries: readonly FlownThing[]): string {
    return batteries.map(({ title, printed }) => gateLine({ title, printed })).join('; ');
  }

  protected install(id: string, installed: boolean): void {
    this.sheet.say(id, { installed });
  }
}

function countsOf(own: readonly FlownThing[]): string {
  const of = (is: (one: FlownThing) => boolean): number => own.filter(is).length;
  const [approval, banks] = [of(({ verdict }) => verdict === 'approval'), of(({ bank }) => bank)];
  const parts = [`${own.length} ${own.length === 1 ? 'spare' : 'spares'}`];
  if (approval > 0) parts.push(`${approval} with approval`);
  if (banks > 0) parts.push(`${banks} ${banks === 1 ? 'bank' : 'banks'}`);
  return parts.join(', ');
}
