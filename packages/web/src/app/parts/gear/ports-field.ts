import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { budgetsOfLabel, connectorName, outputsOfLabel, readLabel } from '@viaggio/core/gear';
import type { Budget, Label, Output } from '@viaggio/core/gear';
import { formatQuantity, issue } from '@viaggio/core/units';
import type { Parsed } from '@viaggio/core/units';
import { LABEL_QUESTIONS, sayLabel } from '@viaggio/core/words';
import { LabelField } from '../../fields/label-field';

export interface PortList {
  readonly outputs: readonly Output[];
  readonly budgets: readonly Budget[] | undefined;
}

/** The outputs of a thing as they are, and all of them typed anew as its label prints them. */
@Component({
  selector: 'app-ports-field',
  imports: [LabelField],
  template: `
    @if (outputs().length > 0) {
      <p class="small mb-1">Gives {{ told() }}.</p>
    }
    <app-label-field
      label="Its outputs, as they are printed"
      placeholder="D-tap 8A, USB-C 65W, USB-A 5V 2.4A"
      [read]="read"
      [say]="say"
      (understoodAs)="put($event)"
    />
  `,
  styles: ':host { display: block; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PortsField {
  readonly outputs = input.required<readonly Output[]>();
  /** They are those of a battery. */
  readonly ofPack = input(false);
  readonly portsChange = output<PortList>();
  protected readonly told = computed(() => this.outputs().map(sayPort).join('; '));
  protected readonly say = sayLabel;

  protected readonly read = (typed: string): Parsed<Label> => {
    const label = readLabel(typed);
    if (label.refused) return { ok: false, issue: label.refused };
    const open = label.asks.find((ask) => ask === 'currentA' || ask === 'voltageV' || ask === 'powerW');
    if (open) return { ok: false, issue: issue('', 'port-incomplete', LABEL_QUESTIONS[open], typed) };
    return outputsOfLabel(label, { ofPack: this.ofPack() }).length > 0
      ? { ok: true, value: label }
      : { ok: false, issue: issue('', 'no-port', 'ports by name, such as “D-tap 8A, USB-C 65W”', typed) };
  };

  /** A port of the same connector keeps its name in links: what is plugged in there stays plugged in. */
  protected put(label: Label): void {
    const free = [...this.outputs()];
    const outputs = outputsOfLabel(label, { ofPack: this.ofPack() }).map((port) => {
      const place = free.findIndex(({ connector, gives }) => connector.type === port.connector.type && gives === port.gives);
      if (place === -1) return port;
      const [before] = free.splice(place, 1);
      return { ...port, id: before!.id };
    });
    const ids = new Set<string>();
    for (const { id } of outputs) ids.add(id);
    const unique = ids.size === outputs.length ? outputs : outputs.map((port, place) => ({ ...port, id: `${port.id}-${place + 1}` }));
    this.portsChange.emit({ outputs: unique, budgets: budgetsOfLabel(label).budgets });
  }
}

/** `D-tap 1 to 5 A`, `8 V out, 8 V at 3 A`. */
export function sayPort(port: Output): string {
  const { name, connector } = port;
  const called = connectorName(connector).toLowerCase().startsWith(name.toLowerCase())
    ? connectorName(connector)
    : `${name} (${connectorName(connector)})`;
  const say = formatQuantity;
  switch (port.gives) {
    case 'pack':
      return `${called}${port.maxA === undefined ? '' : ` to ${say(port.maxA, 'A')}`}`;
    case 'fixed':
      return `${called} ${port.voltageV === undefined ? 'volts unknown' : say(port.voltageV, 'V')}${port.maxA === undefined ? '' : ` to ${say(port.maxA, 'A')}`}`;
    case 'pd':
      return `${called} ${port.ratingW === undefined ? 'rating unknown' : say(port.ratingW, 'W')}`;
  }
}
