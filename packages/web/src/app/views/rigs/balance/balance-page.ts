import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { balanceShape, gearShape, gearTitle, partsToPlace } from '@viaggio/core/gear';
import type { Balance } from '@viaggio/core/gear';
import { formatQuantity, withChanges } from '@viaggio/core/units';
import { tell } from '@viaggio/core/words';
import { QuantityField } from '../../../fields/quantity-field';
import { QuantityPipe } from '../../../basics/quantity.pipe';
import { FindingsList } from '../../../parts/answer/findings-list';
import { RigSheet } from '../sheet/rig-sheet';
import { BalanceDrawing } from './balance-drawing';
import { SelectField } from '../../../fields/select-field';
import { choicesOf } from '../../../fields/choices-of';
import { CheckField } from '../../../fields/check-field';

type Place = Balance['places'][number];

/** How the rig stands: masses and places, the centre of mass over the support, what would bring it into balance. */
@Component({
  selector: 'app-balance-page',
  imports: [CheckField, BalanceDrawing, FindingsList, QuantityField, QuantityPipe, SelectField],
  templateUrl: './balance-page.html',
  styleUrl: './balance-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BalancePage {
  protected readonly sheet = inject(RigSheet);
  protected readonly shapes = balanceShape.fields;
  protected readonly places = balanceShape.fields.places.item.fields;
  protected readonly supports = choicesOf(balanceShape.fields.support.options);
  protected readonly massShape = gearShape.variants.battery.massG.of;
  protected readonly balance = computed(() => this.sheet.rig()?.balance);
  protected readonly result = computed(() => this.sheet.answer()?.balance);
  protected readonly findings = computed(() =>
    (this.sheet.answer()?.findings ?? []).filter(({ aspect }) => aspect === 'balance').map(tell),
  );
  protected readonly stands = computed(() => ['tripod', 'slider'].includes(this.balance()?.support ?? ''));
  protected readonly rows = computed(() => {
    const rig = this.sheet.rig();
    if (!rig) return [];
    return partsToPlace(rig, this.sheet.parts()).map((gearId) => {
      const gear = this.sheet.parts().get(gearId)!;
      const place = rig.balance?.places.find((one) => one.gearId === gearId);
      return { gearId, gear, title: gearTitle(gear), place };
    });
  });

  protected readonly round = Math.round;
  /** `24 mm behind`: signs are for the fields. */
  protected readonly along = (mm: number): string => `${formatQuantity(Math.abs(Math.round(mm)), 'mm')} ${mm < 0 ? 'behind' : 'forward'}`;

  protected nose(momentNm: number): string {
    const side = Math.abs(momentNm) < 0.005 ? 'level' : momentNm > 0 ? 'nose down' : 'tail down';
    return `${Math.abs(momentNm).toFixed(2)} Nm, ${side}`;
  }

  protected start(support: Balance['support']): void {
    this.set({ ...(this.balance() ?? { places: [] }), support }, 'support');
  }

  protected figure(changes: { readonly [K in keyof Balance]?: Balance[K] | undefined }, field: string): void {
    const balance = this.balance();
    if (balance) this.set(withChanges(balance, changes), field);
  }

  protected place(gearId: string, changes: { readonly [K in keyof Place]?: Place[K] | undefined }, field: string): void {
    const balance = this.balance();
    if (!balance) return;
    const before = balance.places.find((one) => one.gearId === gearId) ?? { gearId };
    const places = [...balance.places.filter((one) => one.gearId !== gearId), withChanges(before, changes)];
    this.set({ ...balance, places }, `${field} ${gearId}`);
  }

  protected mass(gearId: string, massG: number | undefined): void {
    const gear = this.sheet.parts().get(gearId);
    if (gear) this.sheet.changeGear(gearId, { body: withChanges(gear, { massG }), field: 'massG' });
  }

  protected leave(): void {
    this.sheet.change({ balance: undefined }, 'balance');
  }

  private set(balance: Balance, field: string): void {
    this.sheet.change({ balance }, `balance ${field}`);
  }
}
