import type { Page } from '@playwright/test';

/** A label of the demo's world as it is printed, and what it says. */
export interface DrawnLabel {
  readonly lines: readonly string[];
  readonly says: {
    readonly voltageV?: number;
    readonly capacityAh?: number;
    readonly energyWh?: number;
    /** Figures of its ports, as the text has to hold them. */
    readonly prints?: readonly string[];
  };
}

/** Labels of made-up makers: packs, banks, camera batteries, lead-acid. Some print two figures alone, which confirm nothing, and some their ports. */
export const DRAWN_LABELS: readonly DrawnLabel[] = [
  { lines: ['HOLMVIK 95', '14.4V 6600mAh 95Wh', 'Li-ion'], says: { voltageV: 14.4, capacityAh: 6.6, energyWh: 95 } },
  { lines: ['Holmvik 147', '14.8 V   9.9 Ah', '147 Wh', 'Li-ion'], says: { voltageV: 14.8, capacityAh: 9.9, energyWh: 147 } },
  { lines: ['HOLMVIK 49', '14.4 V', '49 Wh Li-ion'], says: { voltageV: 14.4, energyWh: 49 } },
  { lines: ['Plovera cell M', '7.2V 2040mAh 14.7Wh', 'Li-ion'], says: { voltageV: 7.2, capacityAh: 2.04, energyWh: 14.7 } },
  { lines: ['VADMEL M', '7.2 V 2200 mAh'], says: { voltageV: 7.2, capacityAh: 2.2 } },
  { lines: ['Ternlet cell S', '7.2V 1050mAh'], says: { voltageV: 7.2, capacityAh: 1.05 } },
  { lines: ['LODD 5200', '7.2V 5200mAh 37.4Wh', 'Li-ion'], says: { voltageV: 7.2, capacityAh: 5.2, energyWh: 37.4 } },
  { lines: ['Grynna 10', '3.7V 10000mAh', 'Out USB-A 5V 2.4A'], says: { voltageV: 3.7, capacityAh: 10, prints: ['5 V', '2.4 A'] } },
  {
    lines: ['GRYNNA 27 PD', '3.65V 27000mAh 98.6Wh', 'Out USB-C 9V 3A'],
    says: { voltageV: 3.65, capacityAh: 27, energyWh: 98.6, prints: ['9 V', '3 A'] },
  },
  { lines: ['Ballast', '12V 18Ah 216Wh', 'Sealed lead-acid'], says: { voltageV: 12, capacityAh: 18, energyWh: 216 } },
  { lines: ['Holmvik 196', '14.4V 13.6Ah', '196Wh'], says: { voltageV: 14.4, capacityAh: 13.6, energyWh: 196 } },
  { lines: ['LODD 2600', '7.2 V', '2600 mAh', '18.7 Wh'], says: { voltageV: 7.2, capacityAh: 2.6, energyWh: 18.7 } },
];

/** How a picture of a label comes out on a quay at night. */
export const HOWS = ['straight', 'turned', 'dim', 'at an angle', 'noisy'] as const;
export type How = (typeof HOWS)[number];

/** Draws a label as a photograph of it would be; the same label and seed give the same picture. Returns a PNG. */
export async function drawLabel(page: Page, { lines }: DrawnLabel, how: How, seed: number): Promise<Buffer> {
  const url = await page.evaluate(
    ({ lines, how, seed }) => {
      let state = seed * 2654435761 + 12345;
      const random = (): number => ((state = (state * 1664525 + 1013904223) % 4294967296), (state >>> 0) / 4294967296);
      const canvas = document.createElement('canvas');
      [canvas.width, canvas.height] = [1000, 700];
      const ink = canvas.getContext('2d')!;
      const dark = seed % 2 === 1;
      ink.fillStyle = '#8a8378';
      ink.fillRect(0, 0, 1000, 700);
      ink.translate(500, 350);
      if (how === 'turned') ink.rotate(((random() < 0.5 ? -1 : 1) * (6 + 10 * random()) * Math.PI) / 180);
      if (how === 'at an angle') ink.transform(1, 0.05 + 0.06 * random(), -0.18 + 0.1 * random(), 0.72 + 0.1 * random(), 0, 0);
      ink.fillStyle = dark ? '#26282b' : '#ece8de';
      ink.fillRect(-380, -220, 760, 440);
      ink.fillStyle = dark ? '#e6e2d8' : '#1d1d1f';
      ink.textAlign = 'center';
      lines.forEach((line, at) => {
        const size = at === 0 ? 58 : 46;
        ink.font = `${at === 0 ? 700 : 500} ${size}px ${seed % 3 === 0 ? 'serif' : 'sans-serif'}`;
        ink.fillText(line, 0, -110 + at * 84, 700);
      });
      ink.setTransform(1, 0, 0, 1, 0, 0);
      if (how === 'dim') {
        const light = ink.createRadialGradient(300 + 300 * random(), 250, 60, 500, 350, 620);
        light.addColorStop(0, 'rgba(0,0,0,0.35)');
        light.addColorStop(1, 'rgba(0,0,0,0.86)');
        ink.fillStyle = light;
        ink.fillRect(0, 0, 1000, 700);
      }
      if (how === 'noisy') {
        const pixels = ink.getImageData(0, 0, 1000, 700);
        for (let at = 0; at < pixels.data.length; at += 4) {
          const by = (random() + random() + random() - 1.5) * 110;
          for (let part = 0; part < 3; part++) pixels.data[at + part] = pixels.data[at + part]! + by;
        }
        ink.putImageData(pixels, 0, 0);
      }
      return canvas.toDataURL('image/png');
    },
    { lines, how, seed },
  );
  return Buffer.from(url.slice(url.indexOf(',') + 1), 'base64');
}
