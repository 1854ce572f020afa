import { ChangeDetectionStrategy, Component } from '@angular/core';
import { ThreeQuestions } from '../../parts/three-questions/three-questions';

/** A new rig, by three questions. */
@Component({
  selector: 'app-new-rig-page',
  imports: [ThreeQuestions],
  template: `
    <div class="page-head"><h1>Will it run, and for how long?</h1></div>
    <app-three-questions />
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NewRigPage {}
