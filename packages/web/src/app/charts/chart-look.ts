import type { ApexOptions } from 'apexcharts';

type Chart = NonNullable<ApexOptions['chart']>;

/** Every colour of a chart, from the tokens `--chart-…` of `styles.scss`. */
export interface ChartColours {
  /** Letters, and lines that mark a limit. */
  readonly ink: string;
  readonly grid: string;
  /** Where something begins or ends. */
  readonly mark: string;
  /** From lowest to highest, and the line within. */
  readonly band: string;
  readonly bandLine: string;
  /** Lines and dots that are told apart, the main one first. */
  readonly series: readonly string[];
}

const SERIES = 8;
const known = new Map<boolean, ChartColours>();

/** The colours of the light or the dark page, whichever is shown at the moment. */
export function chartColours(dark: boolean): ChartColours {
  const colours = known.get(dark) ?? readColours(dark);
  known.set(dark, colours);
  return colours;
}

/** A chart's own drawing wants colours, not tokens: they are read off an element of that theme. */
function readColours(dark: boolean): ChartColours {
  const element = document.createElement('div');
  element.setAttribute('data-bs-theme', dark ? 'dark' : 'light');
  document.body.append(element);
  const style = getComputedStyle(element);
  const token = (name: string): string => style.getPropertyValue(`--chart-${name}`).trim();
  const colours: ChartColours = {
    ink: token('ink'),
    grid: token('grid'),
    mark: token('mark'),
    band: token('band'),
    bandLine: token('band-line'),
    series: Array.from({ length: SERIES }, (_, index) => token(`${index + 1}`)),
  };
  element.remove();
  return colours;
}

/** What every chart here has in common: it stands still, has no tools of its own, and is in the letters and on the ground of the page. */
export function chartLook(dark: boolean, chart: Pick<Chart, 'type' | 'height'> & Chart): Pick<ApexOptions, 'chart' | 'theme' | 'grid'> {
  const { ink, grid } = chartColours(dark);
  return {
    chart: {
      animations: { enabled: false },
      toolbar: { show: false },
      zoom: { enabled: false },
      foreColor: ink,
      fontFamily: 'Inter, sans-serif',
      background: 'transparent',
      ...chart,
    },
    theme: { mode: dark ? 'dark' : 'light' },
    grid: { borderColor: grid },
  };
}
