import { TestBed } from '@angular/core/testing';
import type { Backup } from '@viaggio/core/answer';
import { BackupsView } from './backups-view';

const BACKUP: Backup = {
  deviceId: 'a',
  device: 'Camera',
  first: 'Bank',
  then: 'Own battery',
  takeover: 'seamless',
  atMin: 180,
  aloneMin: 90,
  endless: false,
  addsMin: 88,
};

async function told(changes: Partial<Backup>): Promise<string> {
  const fixture = TestBed.createComponent(BackupsView);
  fixture.componentRef.setInput('backups', [{ ...BACKUP, ...changes }]);
  await fixture.whenStable();
  return (fixture.nativeElement as HTMLElement).textContent;
}

describe('what a backup is worth', () => {
  it.each<[Partial<Backup>, string]>([
    [{}, 'Takes over after 3 h, without a cut.'],
    [{}, 'It adds 1 h 28 min to the run.'],
    [{}, 'Time to change Bank: 1 h 30 min, on a full Own battery.'],
    [{ takeover: 'cut' }, 'with a cut: what records then stops.'],
    [{ atMin: undefined, takeover: undefined }, 'It never has to take over in this run.'],
    [{ addsMin: 0.4 }, 'It adds no minutes to the run.'],
    [{ endless: true, aloneMin: undefined }, 'With Bank out it goes on as long as Own battery stands.'],
    [{ aloneMin: undefined }, 'How long it carries the rig alone is not known.'],
  ])('%j: %s', async (changes, sentence) => expect(await told(changes)).toContain(sentence));
});
