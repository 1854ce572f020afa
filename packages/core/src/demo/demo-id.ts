/** Identifiers of what ships: recognisable, and the same at every reset. */
export const demoId = (number: number): string => `0d0c0000-0000-4000-8000-${String(number).padStart(12, '0')}`;

/** The gear of the crew's first rigs, by what it is. */
export const GEAR = {
  deckCamera: demoId(1),
  wheelhouseCamera: demoId(2),
  stillsCamera: demoId(3),
  v1: demoId(11),
  v4: demoId(12),
  s1: demoId(13),
  k3: demoId(14),
  bank5V: demoId(21),
  bank18: demoId(22),
  bank45: demoId(23),
  dTapAdapter: demoId(31),
  usbAdapter: demoId(32),
  cable3A: demoId(41),
} as const;
