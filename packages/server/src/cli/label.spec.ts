import { run } from './run';

async function label(...texts: string[]) {
  const [out, err]: [string[], string[]] = [[], []];
  const code = await run(['label', ...texts], { out: (line) => out.push(line), err: (line) => err.push(line) });
  return { code, lines: out.map((line) => JSON.parse(line) as Record<string, unknown>), err };
}

describe('viaggio label', () => {
  it('prints one line a label: what is read, and what is asked', async () => {
    const { code, lines } = await label('7.2V 14.7Wh 2040mAh', 'USB-C1 100W, USB-A 18W');
    expect(code).toBe(0);
    expect(lines).toEqual([
      { text: '7.2V 14.7Wh 2040mAh', reads: { voltageV: 7.2, energyWh: 14.7, capacityAh: 2.04 }, asks: ['chemistry'] },
      {
        text: 'USB-C1 100W, USB-A 18W',
        reads: {
          ports: [
            { name: 'USB-C1', connector: { type: 'usb-c' }, powerW: 100 },
            { name: 'USB-A', connector: { type: 'usb-a' }, powerW: 18 },
          ],
        },
        asks: [],
      },
    ]);
  });

  it('tells where it cannot read on, takes nothing from that label, and reads the others', async () => {
    const { code, lines } = await label('7.2V 2040', '22 AWG');
    expect(code).toBe(1);
    expect(lines[0]).toMatchObject({ reads: {}, asks: [], refused: { code: 'not-a-label', at: 5 } });
    expect(lines[1]).toEqual({ text: '22 AWG', reads: { awg: 22 }, asks: [] });
  });

  it('refuses a figure below nothing for what it says, and takes it for no option', async () => {
    const { code, lines } = await label('-5 V 3 A', '5 V 3 A');
    expect(code).toBe(1);
    expect(lines.map(({ text }) => text).sort()).toEqual(['-5 V 3 A', '5 V 3 A']);
    expect(lines.find(({ text }) => text === '-5 V 3 A')).toMatchObject({ reads: {}, refused: { code: 'not-positive' } });
  });

  it('asks for a text where there is none', async () => expect(await label()).toMatchObject({ code: 2 }));
});
