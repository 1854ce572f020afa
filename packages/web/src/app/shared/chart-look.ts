import type { ApexOptions } from 'apexcharts';

type Chart = NonNullable<ApexOptions['chart']>;

/** The colour of letters and lines on a chart. */
export function inkOf(dark: boolean): string {
  return dark ? '#d8d5cd' : '#33302a';
}

/** What every chart here has in common: it stands still, has no tools of its own, and is in the letters and on the ground of the page. */
export function chartLook(dark: boolean, chart: Pick<Chart, 'type' | 'height'> & Chart): Pick<ApexOptions, 'chart' | 'theme' | 'grid'> {
  return {
    chart: {
      animations: { enabled: false },
      toolbar: { show: false },
      zoom: { enabled: false },
      foreColor: inkOf(dark),
      fontFamily: 'Inter, sans-serif',
      background: 'transparent',
      ...chart,
    },
    theme: { mode: dark ? 'dark' : 'light' },
    grid: { borderColor: dark ? '#3a3a38' : '#ddd5c5' },
  };
}
