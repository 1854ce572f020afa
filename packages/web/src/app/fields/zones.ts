import type { Choice } from './picker-field';

/** Where this device is, which is where most days are shot; another place is picked in the day. */
export function ownZone(): string {
  return Intl.DateTimeFormat().resolvedOptions().timeZone;
}

/** Every zone that there is, by the name of its largest town, under its part of the world. */
export function zoneChoices(): readonly Choice[] {
  return ['UTC', ...Intl.supportedValuesOf('timeZone').filter((zone) => zone !== 'UTC')].map((zone) => ({
    value: zone,
    title: zone.split('/').slice(1).join(', ').replaceAll('_', ' ') || zone,
    group: zone.includes('/') ? zone.split('/')[0]! : 'Everywhere',
  }));
}
