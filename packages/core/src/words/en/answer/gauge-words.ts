import type { GaugeFact } from '../../../answer';

export function sayGauge(gauge: GaugeFact): string {
  switch (gauge.fact) {
    case 'held-full':
      return `${gauge.adapter} holds its output, so the gauge shows full until it stops dead.`;
    case 'blind':
      return `On ${gauge.adapter} the gauge shows nothing.`;
    case 'changed':
      return `${gauge.part} was changed by hand: the camera cannot see what is left.`;
    case 'not-entered':
      return 'What its gauge reads is not entered.';
    case 'none':
      return 'It has no gauge.';
    case 'counts':
      return `It counts the charge, in steps of 1/${gauge.steps}.`;
    case 'reads-volts':
      return `It reads the voltage, which hardly falls in the middle and sags under load: off by up to ${Math.round(100 * Math.max(0, gauge.offBy))} points beside its steps.`;
  }
}
