import { expect } from 'chai';
import type { SurroundChannel } from '../model/index.ts';
import { checked, countedIds, smallHouse, withDevices } from '../testing/index.ts';
import { applied } from '../testing/steps.ts';
import { answerCell } from './cells.ts';
import { requirementsOf, wantedDevices } from './requirements.ts';
import { channelsOf, compareLayout } from './surround.ts';

const AT: [number, number][] = [
  [1, 0.05],
  [2, 0.05],
  [3, 0.05],
  [4, 0.05],
  [1, 4],
  [3, 4],
];
const house = (typeIds: readonly string[]) =>
  withDevices(
    smallHouse(),
    typeIds.map((typeId, n) => ({ typeId, at: AT[n] })),
    countedIds(),
  ).project;
const missing = (layout: string, typeIds: readonly string[]): SurroundChannel[] => {
  const project = house(typeIds);
  return compareLayout(project, layout, Object.values(project.devices)).channels.flatMap(({ channel, device }) =>
    device === null ? [channel] : [],
  );
};

describe('a surround layout', () => {
  it('has the channels that its numbers say', () => {
    expect(channelsOf('5.1')).to.deep.equal([
      'front-left',
      'front-right',
      'center',
      'surround-left',
      'surround-right',
      'subwoofer',
    ]);
    expect(channelsOf('7.1.4')).to.have.length(12);
    expect(channelsOf('7.2.4')!.filter((channel) => channel === 'subwoofer')).to.have.length(2);
    expect(channelsOf('9.1.6')).to.have.length(16);
    for (const unknown of ['', '4.1', '5', '5.1.3', 'surround', '99.1', '5.1.4.2'])
      expect(channelsOf(unknown), unknown).to.equal(null);
  });

  it('is compared channel by channel: a sound bar and four subwoofers are not five channels', () => {
    expect(missing('5.1', ['sound-bar', 'subwoofer', 'subwoofer', 'subwoofer', 'subwoofer'])).to.deep.equal([
      'front-left',
      'front-right',
      'center',
      'surround-left',
      'surround-right',
    ]);
    // A passive bar is the three front speakers in one case.
    expect(missing('5.1', ['ceiling-sound-bar', 'subwoofer'])).to.deep.equal(['surround-left', 'surround-right']);
    // Ceiling speakers are overhead channels, not surrounds on the wall.
    expect(
      missing('5.1.2', ['in-wall-front', 'in-wall-front', 'in-wall-front', 'theatre-ceiling-speaker', 'subwoofer']),
    ).to.deep.equal(['surround-left', 'surround-right', 'top-middle-right']);
  });

  it('takes a chosen channel before the others', () => {
    const project = house(['wall-speaker', 'wall-speaker']);
    const [one, other] = Object.values(project.devices);
    const chosen = { ...project, devices: { ...project.devices, [one.id]: { ...one, channel: 'surround-right' as const } } };
    const { channels, beyond } = compareLayout(chosen, '5.1', Object.values(chosen.devices));
    const by = Object.fromEntries(channels.map(({ channel, device }) => [channel, device?.id ?? null]));
    expect(by).to.include({ 'surround-right': one.id, 'front-left': other.id, 'front-right': null });
    expect(beyond).to.deep.equal([]);
  });

  it('asks for what is missing, by channel: the brief, the palette and the check say the same', () => {
    const base = house(['in-wall-front', 'in-wall-front', 'sound-bar']);
    const project = applied(
      base,
      answerCell(base, 'a', 'surround', 'wanted', () => 'cell', { layout: '5.1' }),
    );
    const [requirement] = requirementsOf(project, []);
    expect(requirement).to.include({ missing: 4, reached: 2, holds: false });
    expect(wantedDevices(project).map(({ typeId, missing: n }) => [typeId, n])).to.deep.equal([
      ['in-wall-front', 1],
      ['wall-speaker', 2],
      ['subwoofer', 1],
    ]);
    const [finding] = checked(project).filter(({ check }) => check === 'brief-met');
    expect(finding).to.include({ code: 'brief-channels-missing', measured: 2, allowed: 6 });
    expect(finding.figures.channels).to.deep.equal(['center', 'surround-left', 'surround-right', 'subwoofer']);
  });
});
