import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { assess } from '@viaggio/core/answer';
import { LOW_WATER } from '@viaggio/core/demo';
import type { Gear, Rig } from '@viaggio/core/gear';
import { textOf } from '../../../../testing/component';
import { AnswerSections } from './answer-sections';
import { AnswerView } from './answer-view';

beforeAll(() => {
  window.matchMedia ??= (() => ({
    matches: false,
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
  })) as unknown as typeof matchMedia;
});

const GEAR = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const rigNamed = (name: string): Rig => LOW_WATER.rigs.find(({ body }) => body.name === name)!.body;

async function show(rig: Rig, gear: ReadonlyMap<string, Gear> = GEAR): Promise<ComponentFixture<AnswerView>> {
  const fixture = TestBed.createComponent(AnswerView);
  fixture.componentRef.setInput('answer', assess(rig, gear));
  await fixture.whenStable();
  return fixture;
}

async function reasonsOf(rig: Rig): Promise<string> {
  const fixture = TestBed.createComponent(AnswerSections);
  fixture.componentRef.setInput('answer', assess(rig, GEAR));
  fixture.componentRef.setInput('open', new Set(['reasons']));
  await fixture.whenStable();
  return textOf(fixture, 'app-figures-table');
}

describe('the answer', () => {
  it('says verdict, time, what stops it and what it rests on', async () => {
    const fixture = await show(rigNamed('Wheelhouse'));
    const headline = textOf(fixture, '.headline');
    expect(headline).toContain('Good');
    expect(headline).toContain('4 h 43 min until it first stops; plan with 4 h 15 min');
    expect(headline).toContain('The protection of Holmvik 95 cuts out at 12 V');
    expect(headline).toContain('Draw 16.7 W measured');
    expect(headline).toContain('own test: 95 Wh (25 °C assumed) ÷ 5 h 10 min = 18.4 W');
  });

  it('gives no time for what must not be connected, and says what to do', async () => {
    const fixture = await show(rigNamed('Galley on the old bank'));
    expect(textOf(fixture, '.headline')).toBe('Stop no time yet Fix what stops it first; then it can be timed.');
    expect(textOf(fixture, 'app-findings-list')).toMatch(
      /^To fix 1 stop, 2 fit Only the worst Stop Agreed over USB-C: 9 V at 2 A, 18 W.*Use a bank that offers 27 W or more/,
    );
    expect(fixture.nativeElement.querySelector('app-time-range')).toBeNull();
  });

  it('names the figure that is missing', async () => {
    const rig = rigNamed('Stills');
    const batteryId = rig.links[0]!.from.gearId;
    const battery = GEAR.get(batteryId)!;
    const { energyWh: _energyWh, ...unlabelled } = battery as Extract<Gear, { kind: 'battery' }>;
    const fixture = await show(rig, new Map([...GEAR, [batteryId, unlabelled]]));
    expect(textOf(fixture, '.headline')).toBe('Unknown no time yet A figure is missing; see below for which.');
    expect(textOf(fixture, 'app-findings-list')).toContain('Plovera cell M: its energy is not known');
  });

  it('shows every number behind a finding, and every figure with where it is from', async () => {
    const fixture = await show(rigNamed('Stills'));
    expect(textOf(fixture, 'app-findings-list')).toMatch(
      /highest given 8.4 V lowest given 6 V lowest accepted 6.3 V highest accepted 8.6 V/,
    );
    const figures = await reasonsOf(rigNamed('Stills'));
    expect(figures).toContain('Energy (Plovera cell M) 14.7 Wh printed');
    expect(figures).toContain('Cut-off (Plovera cell M) 6 V 5.7 V to 6.3 V assumed 2 × 3 V for Li-ion or LiPo');
  });

  it('holds its time against what is asked, and names whose turn it is by tags', async () => {
    const rig = rigNamed('Wheelhouse, everything on one V-mount');
    const fixture = await show(rig);
    fixture.componentRef.setInput('wantedMin', rig.wantedMin);
    fixture.componentRef.setInput('parts', GEAR);
    await fixture.whenStable();
    expect(textOf(fixture, '.against')).toBe('2 h 6 min short of the 6 h asked for');
    expect(textOf(fixture, 'app-time-range')).toMatch(/^change 2 h 40 min asked 6 h V3 V6 plan with 3 h 54 min$/);
  });

  it('shows the worst three with what mends each best, and all of them when asked', async () => {
    const rig = rigNamed('Wheelhouse on the small battery');
    const cameraId = rig.devices[0]!.gearId;
    const fixture = await show(rig, new Map([...GEAR, [cameraId, { ...GEAR.get(cameraId)!, fitNote: 'the door sticks' }]]));
    fixture.componentRef.setInput('all', false);
    await fixture.whenStable();
    const shown = () => (fixture.nativeElement as HTMLElement).querySelectorAll('.finding').length;
    expect(shown()).toBe(3);
    let asked: boolean | undefined;
    fixture.componentInstance.allChange.subscribe((all) => (asked = all));
    [...fixture.nativeElement.querySelectorAll('button')].find(({ textContent }: HTMLElement) => textContent.includes('See all')).click();
    expect(asked).toBe(true);
    fixture.componentRef.setInput('all', true);
    await fixture.whenStable();
    expect(shown()).toBe(4);
    // what is only to be known stands beside, and asks for nothing
    expect(textOf(fixture, '.notes')).toContain('2 notes');
  });

  it('puts first what makes a short rig last longest', async () => {
    const rig = rigNamed('Wheelhouse on the small battery');
    const fixture = await show(rig);
    fixture.componentRef.setInput('wantedMin', 500);
    const remedy = (title: string, plannedMin: number) => ({ title, plannedMin, verdict: 'caution' as const, rig });
    fixture.componentRef.setInput('remedies', [[remedy('Dim it', 100)], [remedy('Bigger pack', 300)]]);
    await fixture.whenStable();
    expect(textOf(fixture, '.next button')).toBe('Bigger pack → 5 h');
  });

  it('puts the usual cautions beside the act they concern', async () => {
    const cautions = (await show(rigNamed('Wheelhouse on the small battery'))).nativeElement.querySelectorAll(
      '.usual-caution',
    ) as NodeListOf<HTMLElement>;
    const texts = [...cautions].map(({ textContent }) => textContent);
    expect(texts[0]).toContain('check 8 V and the polarity with a meter');
    expect(texts).toContainEqual(expect.stringContaining('never short them'));
    expect(texts).toContainEqual(expect.stringContaining('do not charge them until they are warm'));
  });
});

it('a rig without a backup says how to have one', async () => {
  const fixture = TestBed.createComponent(AnswerSections);
  fixture.componentRef.setInput('answer', assess(rigNamed('Wheelhouse'), GEAR));
  fixture.componentRef.setInput('hanging', { sensitivities: [], backups: [] });
  fixture.componentRef.setInput('open', new Set(['backups']));
  await fixture.whenStable();
  expect(textOf(fixture)).toContain('To have a backup, feed it through a plate or grip with a second slot');
});
