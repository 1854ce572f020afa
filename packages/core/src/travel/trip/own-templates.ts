import type { OwnItem } from './trip-shape';

type Template = Omit<OwnItem, 'id'>;

/** What goes along on most shoots and hangs on no rig, by what it is for. */
export const OWN_TEMPLATES: Readonly<Record<string, { readonly title: string; readonly items: readonly Template[] }>> = {
  measuring: {
    title: 'Measuring',
    items: [
      { name: 'Multimeter, with probes and its spare fuse', count: 1, massG: 350, why: 'before power' },
      { name: 'Inline USB meter', count: 1, massG: 30, why: 'volts, amps and draw' },
    ],
  },
  fixing: {
    title: 'Fixing and mending',
    items: [
      { name: 'Cloth tape', count: 2, massG: 400 },
      { name: 'Hook-and-loop ties', count: 20, massG: 5 },
      { name: 'Screwdrivers and hex keys', count: 1, massG: 300 },
      { name: 'Fuses, as rated on the leads', count: 10, massG: 2 },
    ],
  },
  travel: {
    title: 'For travelling',
    items: [
      { name: 'Terminal covers, or a bag for each spare', count: 20, massG: 10, why: 'spares in the cabin' },
      { name: 'Mains adapters for the country', count: 3, massG: 60 },
      { name: 'Power strip', count: 1, massG: 450, why: 'few sockets' },
    ],
  },
  cold: {
    title: 'Cold and wet',
    items: [
      { name: 'Insulated pouch for batteries', count: 2, massG: 150 },
      { name: 'Rain cover', count: 2, massG: 120 },
      { name: 'Desiccant bags', count: 6, massG: 20 },
    ],
  },
  standing: {
    title: 'Standing safely',
    items: [
      { name: 'Sandbag, empty', count: 4, massG: 300, why: 'fill it there' },
      { name: 'Safety line', count: 4, massG: 80 },
    ],
  },
};
