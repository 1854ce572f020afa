import type { FindingLevel } from '@viaggio/core/answer';
import { clockAt } from '@viaggio/core/day';
import type { PathStop, PowerSheet, RigPage } from '@viaggio/core/words';
import { Paper } from './paper';
import type { PaperSize } from './paper';

/** Signs that a black and white printer keeps apart, with their word. */
const SIGNS: Readonly<Record<FindingLevel, string>> = {
  good: '● Good',
  note: '– Note',
  caution: '◆ Caution',
  stop: '■ STOP',
  unknown: '○ Unknown',
};
const PATH_HEIGHT = 74;

/** The power sheet of a day, or of rigs, as a PDF. `madeAt` stands at the foot: a sheet that is older than its plan is told by it. */
export async function powerSheetPdf(sheet: PowerSheet, size: PaperSize, madeAt: string): Promise<Buffer> {
  const paper = new Paper(`Power sheet: ${sheet.title}`, size, `Made ${madeAt}`);
  paper.heading(`Power sheet: ${sheet.title}`, 1);
  if (sheet.when !== undefined) paper.paragraph(sheet.when, { grey: true });
  if (sheet.rigs.length > 1)
    paper.table(
      [
        { head: 'Rig', share: 3 },
        { head: 'Verdict', share: 1.3 },
        { head: 'Runs', share: 4 },
      ],
      sheet.rigs.map(({ title, verdict, runs }) => [title, SIGNS[verdict], runs]),
    );
  if (sheet.people.length > 0) {
    paper.heading('Who to ask');
    paper.table(
      [
        { head: 'Name', share: 1 },
        { head: 'Reached by', share: 3 },
      ],
      sheet.people.map(({ name, contact }) => [name, contact ?? 'not entered']),
    );
  }
  paper.heading('Cautions');
  paper.list(sheet.cautions);
  if (sheet.batteries.length > 0) {
    paper.heading('Batteries');
    paper.table(
      [
        { head: 'Battery', share: 2.4 },
        { head: 'Holds', share: 0.9 },
        { head: 'Charge', share: 0.9 },
        { head: 'Where it is', share: 1.8 },
        { head: 'Goes into', share: 2.6 },
      ],
      sheet.batteries.map(({ title, holds, charge, where, goesInto }) => [title, holds, charge, where, goesInto]),
    );
  }
  if (sheet.charging) chargingPart(paper, sheet.charging);
  for (const rig of sheet.rigs) {
    if (sheet.rigs.length > 1 || sheet.batteries.length > 0) paper.newPage();
    rigPart(paper, rig);
  }
  return paper.end();
}

function chargingPart(paper: Paper, { day, rows, notFull, untilMin }: NonNullable<PowerSheet['charging']>): void {
  const at = (minute: number): string => {
    const { time, weekday } = clockAt(day, minute);
    return day.days > 1 ? `${weekday.split(' ')[0]} ${time}` : time;
  };
  paper.heading(`On the chargers until ${at(untilMin)}`);
  if (rows.length === 0) paper.paragraph('Nothing is charged.');
  paper.table(
    [
      { head: 'Charger', share: 2.2 },
      { head: 'Where', share: 1.1 },
      { head: 'Battery', share: 1.8 },
      { head: 'On at', share: 0.9 },
      { head: 'Full at', share: 0.9 },
      { head: 'In', share: 0.5 },
      { head: 'Off', share: 0.5 },
    ],
    rows.map(({ charger, place, battery, onMin, fullMin }) => [
      charger,
      place ?? '',
      battery,
      at(onMin),
      fullMin === undefined ? 'not full' : at(fullMin),
      '☐',
      '☐',
    ]),
  );
  if (notFull.length > 0) {
    paper.paragraph('Not full by then:', { strong: true });
    paper.list(notFull.map(({ battery, says }) => `${battery}: ${says}`));
  }
}

function rigPart(paper: Paper, { title, verdict, runs, stop, paths, changes, gauges, fallbacks, findings, connecting }: RigPage): void {
  paper.heading(title, 1);
  paper.paragraph(`${SIGNS[verdict]}. ${runs}`, { strong: true });
  if (stop !== undefined) paper.paragraph(stop);
  if (findings.length > 0) {
    paper.heading('Look out for');
    paper.table(
      [
        { head: '', share: 1 },
        { head: 'What', share: 3.6 },
        { head: 'What to do', share: 2.6 },
      ],
      findings.map((one) => [SIGNS[one.verdict], one.says, one.remedy ?? '']),
    );
  }
  if (paths.length > 0) {
    paper.heading('Energy path');
    for (const { devices, takesOver, stops } of joined(paths)) pathFigure(paper, devices, takesOver, stops);
  }
  if (changes.length > 0) {
    paper.heading('When to do what');
    paper.table(
      [
        { head: 'At', share: 1 },
        { head: 'Do', share: 6 },
      ],
      changes.map(({ at, says }) => [at, says]),
    );
  }
  if (gauges.length > 0) {
    paper.heading('Which gauge to believe');
    paper.table(
      [
        { head: 'Gauge', share: 2.4 },
        { head: '', share: 1.3 },
        { head: 'Why', share: 4 },
      ],
      gauges.map(({ where, believe, why }) => [where, believe, why]),
    );
  }
  if (fallbacks.length > 0) {
    paper.heading('When something dies');
    paper.table(
      [
        { head: 'If', share: 2.6 },
        { head: 'Then', share: 4 },
      ],
      fallbacks.map(({ when, then }) => [when, then]),
    );
  }
  if (connecting.length > 0) {
    paper.heading('Order of connecting');
    paper.list(connecting, true);
  }
}

interface JoinedPath {
  readonly devices: readonly string[];
  readonly takesOver: boolean;
  readonly stops: readonly PathStop[];
}

/** Devices that take the same volts at the end of the same way are drawn once. */
function joined(paths: RigPage['paths']): readonly JoinedPath[] {
  const result = new Map<string, JoinedPath>();
  for (const { device, takesOver, stops } of paths) {
    const key = JSON.stringify([takesOver, stops.map(({ name, volts, isDevice }) => (isDevice ? volts : [name, volts]))]);
    result.set(key, { devices: [...(result.get(key)?.devices ?? []), device], takesOver, stops });
  }
  return [...result.values()];
}

/** The path to devices: height is voltage; a band for what leaves each part, brackets for what the device takes. */
function pathFigure(paper: Paper, devices: readonly string[], takesOver: boolean, stops: readonly PathStop[]): void {
  const called = devices.join(', ');
  const says = stops
    .map(
      ({ name, volts, isDevice }) => `${isDevice ? called : name}${volts === undefined ? '' : isDevice ? ` takes ${volts}` : ` ${volts}`}`,
    )
    .join(', then ');
  const { doc } = paper;
  const highest = Math.max(1, ...stops.map(({ highV }) => highV ?? 0));
  paper.figure(`Energy path to ${called}: ${says}`, PATH_HEIGHT + 11 * (devices.length - 1), (left, top) => {
    const step = paper.width / stops.length;
    const [ceiling, floor] = [top + 12, top + 42];
    const y = (volts: number): number => floor - (volts / highest) * (floor - ceiling);
    if (takesOver) paper.label('takes over', left, top, { width: 80 });
    doc
      .moveTo(left, floor)
      .lineTo(left + paper.width, floor)
      .lineWidth(0.4)
      .strokeColor('#8c8c8c')
      .stroke();
    stops.forEach(({ name, volts, lowV, highV, isDevice }, at) => {
      const x = left + at * step;
      const wide = Math.min(step - 12, 110);
      if (highV !== undefined) {
        const [high, low] = [y(highV), y(lowV ?? highV)];
        const height = Math.max(2.5, low - high);
        doc.lineWidth(1).strokeColor('#000000');
        if (isDevice)
          doc
            .moveTo(x + wide, high)
            .lineTo(x, high)
            .lineTo(x, high + height)
            .lineTo(x + wide, high + height)
            .stroke();
        else doc.rect(x, high, wide, height).fillAndStroke('#cfcfcf', '#000000');
      }
      if (at > 0)
        doc
          .moveTo(x - 10, floor + 8)
          .lineTo(x - 3, floor + 8)
          .moveTo(x - 6, floor + 5.5)
          .lineTo(x - 3, floor + 8)
          .lineTo(x - 6, floor + 10.5)
          .lineWidth(0.8)
          .strokeColor('#000000')
          .stroke();
      paper.label(isDevice ? called : name, x, floor + 3, {
        width: step - 14,
        size: 8,
        strong: true,
        lines: isDevice ? devices.length : 1,
      });
      const below = isDevice ? 11 * devices.length : 11;
      paper.label(volts === undefined ? 'volts not known' : isDevice ? `takes ${volts}` : volts, x, floor + 3 + below, {
        width: step - 8,
        size: 7.5,
      });
    });
  });
}
