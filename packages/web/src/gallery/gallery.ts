import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { assessModel, autonomyOf, criteriaOf, DEFAULT_STYLE, rigModel } from '@viaggio/core/answer';
import type { FindingLevel } from '@viaggio/core/answer';
import { readClock } from '@viaggio/core/day';
import { LOW_WATER, lowWaterRecording } from '@viaggio/core/demo';
import { styleShape } from '@viaggio/core/gear';
import { number, text } from '@viaggio/core/units';
import { ApproachesChart } from '../app/views/rigs/compare/approaches-chart';
import { AutonomyChart } from '../app/views/rigs/unattended/autonomy-chart';
import { RunChart } from '../app/charts/run-chart';
import { TraceChart } from '../app/charts/trace-chart';
import { choicesOf } from '../app/fields/choices-of';
import { CheckField } from '../app/fields/check-field';
import { ClockField } from '../app/fields/clock-field';
import { DateField } from '../app/fields/date-field';
import { LabelField } from '../app/fields/label-field';
import { PickerField } from '../app/fields/picker-field';
import type { Choice } from '../app/fields/picker-field';
import { QuantityField } from '../app/fields/quantity-field';
import { SelectField } from '../app/fields/select-field';
import { SliderField } from '../app/fields/slider-field';
import { TextField } from '../app/fields/text-field';
import type { Column } from '../app/views/rigs/compare/column';
import { GearDrawing, shapeOf } from '../app/parts/gear/gear-drawing';
import { AnswerHeadline } from '../app/parts/answer/answer-headline';
import { FileDrop } from '../app/basics/file-drop';
import { ICON_NAMES, Icon } from '../app/basics/icon';
import { PageMenu } from '../app/basics/page-menu';
import type { PageAct } from '../app/basics/page-menu';
import { TimeBar } from '../app/basics/time-bar';
import { ProblemNote } from '../app/basics/problem-note';
import { Theme } from '../app/device/theme';
import { VerdictMark } from '../app/basics/verdict-mark';

const KIT = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const rigNamed = (name: string) => LOW_WATER.rigs.find(({ body }) => body.name === name)!.body;

/** Every field, mark and chart in its states, side by side. Built for development and for a test that photographs it; no part of the product. */
@Component({
  selector: 'app-gallery',
  imports: [
    AnswerHeadline,
    ApproachesChart,
    AutonomyChart,
    CheckField,
    ClockField,
    DateField,
    FileDrop,
    GearDrawing,
    Icon,
    PageMenu,
    TimeBar,
    LabelField,
    PickerField,
    ProblemNote,
    QuantityField,
    RunChart,
    SelectField,
    SliderField,
    TextField,
    TraceChart,
    VerdictMark,
  ],
  templateUrl: './gallery.html',
  styles: `
    :host {
      display: block;
      max-width: 1200px;
      margin: 1rem auto;
      padding: 0 1rem;
    }
    section {
      margin-bottom: 1.5rem;
    }
    .grid {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(min(100%, 16rem), 1fr));
      gap: 0.75rem 1.25rem;
    }
    .look {
      container: look / inline-size;
    }
    .charts {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(min(100%, 30rem), 1fr));
      gap: 1rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Gallery {
  protected readonly theme = new Theme();
  protected readonly verdicts: readonly FindingLevel[] = ['good', 'note', 'caution', 'stop', 'unknown'];
  protected readonly volts = number('Highest voltage', 'V', { max: 60 });
  protected readonly length = number('It must run for', 'min', { max: 10_000 });
  protected readonly charge = number('Charge', 'fraction', { max: 1 });
  protected readonly name = text('Name', 40);
  protected readonly styles = choicesOf(styleShape.options);
  protected readonly style = DEFAULT_STYLE;
  protected readonly tried = signal<number | undefined>(0.6);
  protected readonly few = choices(5);
  protected readonly many = choices(40);
  protected readonly readTime = readClock;
  protected readonly sayTime = (minutes: number): string => `${minutes} minutes past midnight`;
  protected readonly problem = {
    code: 'unreachable',
    title: 'The server is not answering',
    detail: 'Viaggio’s server did not answer.',
    remedy: 'Nothing is lost: it is tried again by itself.',
  };

  private readonly wheelhouse = rigModel(rigNamed('Wheelhouse'), KIT, { tracePoints: 60 });
  protected readonly answer = assessModel(this.wheelhouse);
  protected readonly parts = KIT;
  protected readonly icons = ICON_NAMES;
  protected readonly drawings = [...new Map(LOW_WATER.gear.map(({ body }) => [shapeOf(body), body])).values()];
  protected readonly acts: readonly PageAct[] = [
    { title: 'Print', icon: 'print', do: () => undefined },
    { title: 'Delete', icon: 'remove', takesAway: true, do: () => undefined, notNow: 'It is in rigs: archive it instead.' },
  ];
  protected readonly run = this.answer.run!;
  protected readonly station = this.answer.tracks[0]!.stations.at(-1)!;
  protected readonly alone = autonomyOf(rigNamed('Breakwater'), KIT);
  protected readonly said = rigNamed('Breakwater').unattended!;
  protected readonly recording = lowWaterRecording();
  protected readonly columns = ['Wheelhouse', 'Deck', 'Stills'].map((title): Column => {
    const model = rigModel(rigNamed(title), KIT);
    return { key: 'now', title, criteria: criteriaOf(model.resolved, assessModel(model)), alternative: undefined };
  });
}

function choices(count: number): readonly Choice[] {
  return LOW_WATER.gear.slice(0, count).map(({ id, body }) => ({ value: id, title: body.name, group: body.kind }));
}
