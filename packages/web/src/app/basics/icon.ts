import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { DomSanitizer } from '@angular/platform-browser';
import archive from 'bootstrap-icons/icons/archive.svg';
import redo from 'bootstrap-icons/icons/arrow-clockwise.svg';
import undo from 'bootstrap-icons/icons/arrow-counterclockwise.svg';
import saving from 'bootstrap-icons/icons/arrow-repeat.svg';
import kit from 'bootstrap-icons/icons/box-seam.svg';
import exported from 'bootstrap-icons/icons/download.svg';
import days from 'bootstrap-icons/icons/calendar3.svg';
import rigs from 'bootstrap-icons/icons/camera-reels.svg';
import saved from 'bootstrap-icons/icons/check2.svg';
import pack from 'bootstrap-icons/icons/luggage.svg';
import scan from 'bootstrap-icons/icons/qr-code-scan.svg';
import next from 'bootstrap-icons/icons/chevron-right.svg';
import offline from 'bootstrap-icons/icons/cloud-slash.svg';
import copy from 'bootstrap-icons/icons/copy.svg';
import warning from 'bootstrap-icons/icons/exclamation-triangle.svg';
import log from 'bootstrap-icons/icons/journal-text.svg';
import link from 'bootstrap-icons/icons/link-45deg.svg';
import bench from 'bootstrap-icons/icons/tools.svg';
import menu from 'bootstrap-icons/icons/list.svg';
import add from 'bootstrap-icons/icons/plus-lg.svg';
import print from 'bootstrap-icons/icons/printer.svg';
import help from 'bootstrap-icons/icons/question-circle.svg';
import search from 'bootstrap-icons/icons/search.svg';
import preferences from 'bootstrap-icons/icons/sliders.svg';
import today from 'bootstrap-icons/icons/sunrise.svg';
import more from 'bootstrap-icons/icons/three-dots.svg';
import remove from 'bootstrap-icons/icons/trash3.svg';
import imported from 'bootstrap-icons/icons/upload.svg';
import close from 'bootstrap-icons/icons/x-lg.svg';

const ICONS = {
  bench,
  add,
  archive,
  close,
  copy,
  days,
  exported,
  help,
  imported,
  kit,
  link,
  log,
  menu,
  more,
  next,
  offline,
  pack,
  preferences,
  print,
  redo,
  remove,
  rigs,
  saved,
  saving,
  scan,
  search,
  today,
  undo,
  warning,
} as const;
export type IconName = keyof typeof ICONS;
export const ICON_NAMES = Object.keys(ICONS) as readonly IconName[];

/** A sign from the one set of icons, as high as the text beside it. It has no name: the word stands beside it, or on the button. */
@Component({
  selector: 'app-icon',
  template: '',
  styles: ':host { display: inline-flex; flex: none; width: 1em; height: 1em; } :host ::ng-deep svg { width: 1em; height: 1em; }',
  host: { 'aria-hidden': 'true', '[innerHTML]': 'svg()' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Icon {
  readonly name = input.required<IconName>();
  private readonly sanitizer = inject(DomSanitizer);
  /** The text of a file that ships with the package, never anything typed. */
  protected readonly svg = computed(() => this.sanitizer.bypassSecurityTrustHtml(ICONS[this.name()]));
}
