import { powerSheet } from '@viaggio/core/words';
import type { SheetOrder } from '@viaggio/core/words';
import type { Task } from '../threads/task';
import type { PaperSize } from './paper';
import { powerSheetPdf } from './power-sheet-pdf';
import { tagsPdf } from './tags-pdf';
import type { TagOrder } from './tags-pdf';

interface PowerSheetOrder {
  readonly order: SheetOrder;
  readonly paper: PaperSize;
  readonly madeAt: string;
}

export const PRINT_POWER_SHEET: Task<PowerSheetOrder, { readonly title: string; readonly bytes: Uint8Array }> = {
  name: 'printPowerSheet',
  isShort: false,
  run: async ({ order, paper, madeAt }) => {
    const sheet = powerSheet(order);
    return { title: sheet.title, bytes: new Uint8Array(await powerSheetPdf(sheet, paper, madeAt)) };
  },
};

export const PRINT_TAGS: Task<TagOrder, Uint8Array> = {
  name: 'printTags',
  isShort: false,
  run: async (order) => new Uint8Array(await tagsPdf(order)),
};
