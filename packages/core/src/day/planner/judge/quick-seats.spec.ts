import { QuickSeats } from './quick-seats';
import { QuickSlots } from './quick-slots';

/** Two seats, three batteries; nobody sits. */
function seats(): QuickSeats {
  const made = new QuickSeats(2, 3);
  made.reset();
  return made;
}

describe('the seats of a quick run', () => {
  it('one that takes no time sits at once', () => {
    const made = seats();
    made.put(1, 0, 60, 0);
    expect([made.seated[0], made.inSeat[1], made.next[0]]).toEqual([1, 0, -1]);
  });

  it('one that takes minutes sits once they are over, and is in its seat meanwhile', () => {
    const made = seats();
    made.put(2, 1, 60, 5);
    expect([made.seated[1], made.next[1], made.inSeat[2]]).toEqual([-1, 2, 1]);
    made.due(1, 64.9);
    expect(made.seated[1]).toBe(-1);
    made.due(1, 65);
    expect([made.seated[1], made.next[1], made.nextMin[1]]).toEqual([2, -1, Infinity]);
  });

  it('a seat that is emptied says since when; one whose battery was only just being put in was empty before', () => {
    const made = seats();
    made.put(0, 0, 0, 0);
    made.empty(0, 90);
    expect([made.seated[0], made.inSeat[0], made.emptied[0]]).toEqual([-1, -1, 90]);
    made.put(1, 0, 100, 5);
    made.empty(0, 102);
    expect([made.seated[0], made.next[0], made.inSeat[1], made.emptied[0]]).toEqual([-1, -1, -1, 90]);
    // one that sat by then was taken out now
    made.put(1, 0, 100, 5);
    made.empty(0, 110);
    expect(made.emptied[0]).toBe(110);
  });
});

describe('the slots of a quick run', () => {
  const put = (slots: QuickSlots, battery: number, charger: number, atMin: number, offMin: number) =>
    slots.put({ battery, charger, fromMin: atMin, toMin: atMin }, offMin);

  it('hold what is on a charger until it is taken off', () => {
    const slots = new QuickSlots(2, 4);
    put(slots, 3, 1, 10, 200);
    expect([slots.chargerOf(3), slots.offAt(3), slots.of(1).length, slots.count]).toEqual([1, 200, 1, 1]);
    expect(slots.charges).toEqual([{ battery: 3, charger: 1, fromMin: 10, toMin: 200 }]);
    expect(slots.take(3, 60)).toEqual({ battery: 3, charger: 1, fromMin: 10, toMin: 60 });
    expect([slots.chargerOf(3), slots.of(1).length, slots.count]).toEqual([-1, 0, 1]);
    expect(slots.charges).toEqual([{ battery: 3, charger: 1, fromMin: 10, toMin: 60 }]);
  });

  it('the one that may stay longest gives way, but none that a person wants there', () => {
    const slots = new QuickSlots(1, 4);
    put(slots, 0, 0, 0, 100);
    put(slots, 1, 0, 0, 300);
    put(slots, 2, 0, 5, 900);
    slots.keep(2, 5);
    expect(slots.latest(0)?.battery).toBe(1);
    slots.take(1, 20);
    expect(slots.latest(0)?.battery).toBe(0);
    slots.take(0, 20);
    expect(slots.latest(0)).toBeUndefined();
    // put on anew by nobody in particular, it gives way again
    slots.take(2, 30);
    put(slots, 2, 0, 40, 900);
    expect(slots.latest(0)?.battery).toBe(2);
  });

  it('go back to a moment that was saved, whatever came after', () => {
    const slots = new QuickSlots(2, 4);
    put(slots, 0, 0, 0, 100);
    put(slots, 1, 1, 0, 100);
    slots.take(1, 30);
    const then = slots.save(30);
    const before = slots.charges;
    slots.take(0, 50);
    put(slots, 2, 0, 60, 500);
    slots.load(then);
    expect(slots.charges).toEqual(before);
    expect([slots.chargerOf(0), slots.chargerOf(2), then.nowMin]).toEqual([0, -1, 30]);
    // and what comes then does not change what was saved
    slots.take(0, 70);
    slots.load(then);
    expect(slots.charges).toEqual(before);
  });
});
