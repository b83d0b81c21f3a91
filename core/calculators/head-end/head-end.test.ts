import { expect } from 'chai';
import { runCalculator } from '../list.ts';

const answer = (name: string, input: object) => {
  const found = runCalculator(name, input);
  if (!found.ok) throw new Error(JSON.stringify(found.problem));
  return found.value as Record<string, number> & { ok: boolean };
};

describe('head-end calculators by hand', () => {
  it('F12.4: six cameras of 4 Mb/s for 14 days', () => {
    const { gbPerDay, neededGb, totalMbps } = answer('recorder-disk', { cameras: 6, mbps: 4, wantedDays: 14 });
    expect([gbPerDay, totalMbps]).to.deep.equal([43.2, 24]);
    expect(neededGb).to.be.closeTo(6 * 43.2 * 14 * 1.15, 1e-9);
    // 8 TB, nine tenths usable, over 259.2 GB a day.
    expect(answer('recorder-disk', { cameras: 6, mbps: 4, diskGb: 8000 }).days).to.be.closeTo(7200 / 259.2, 1e-9);
  });

  it('F15.4: eight channels of 50 W at an eighth, class D', () => {
    const { outW, inW, heatW } = answer('amplifier-heat', { channels: 8, ratedW: 50 });
    expect(outW).to.equal(50);
    expect(inW).to.be.closeTo(20 + 50 / 0.7, 1e-9);
    expect(heatW).to.be.closeTo(inW - 50, 1e-9);
    expect(answer('amplifier-heat', { channels: 8, ratedW: 50, class: 'ab' }).heatW).to.be.greaterThan(heatW);
  });

  it('F22.4: a load that is shed leaves its energy to the others', () => {
    // 220 Wh of 0.85 and 0.7: 130.9 Wh; 210 W for 10 min take 35 Wh; the rest lasts at 60 W.
    const input = {
      batteryWh: 220,
      loads: [
        { watts: 150, offAfterMin: 10 },
        { watts: 60, offAfterMin: null },
      ],
    };
    expect(answer('ups-shedding', input).minutes).to.be.closeTo(10 + (60 * (130.9 - 35)) / 60, 1e-6);
    // Without shedding it is as F15.8 has it.
    const plain = { batteryWh: 220, loads: [{ watts: 210, offAfterMin: null }] };
    expect(answer('ups-shedding', plain).minutes).to.be.closeTo(answer('ups-time', { batteryWh: 220, loadW: 210 }).minutes, 1e-9);
    expect(runCalculator('ups-shedding', { batteryWh: 220, loads: [{ watts: 1, offAfterMin: 1 }] })).to.have.property(
      'ok',
      false,
    );
  });

  it('loads a floor by its weight over its foot', () => {
    const { knM2, ok } = answer('floor-load', { equipmentKg: 120, rackKg: 45, widthM: 0.6, depthM: 0.6 });
    expect(knM2).to.be.closeTo((165 * 9.80665) / 0.36 / 1000, 1e-9);
    expect(ok).to.equal(false);
  });

  it('counts conductors of a motion sensor with its tamper loop: 22/6', () => {
    expect(answer('security-conductors', { zones: 1, isFed: true, hasTamper: true })).to.include({ conductors: 6, cable: 6 });
    expect(answer('security-conductors', { zones: 1 })).to.include({ conductors: 2, cable: 2 });
  });

  it('F22.3: bearings on a sphere', () => {
    // Due east along the equator, a degree is 111.19 km.
    const east = answer('transmitter-bearing', { latitudeDeg: 0, longitudeDeg: 0, toLatitudeDeg: 0, toLongitudeDeg: 1 });
    expect(east.trueDeg).to.be.closeTo(90, 1e-9);
    expect(east.distanceKm).to.be.closeTo((6371 * Math.PI) / 180, 1e-6);
    const south = answer('transmitter-bearing', {
      latitudeDeg: 10,
      longitudeDeg: 5,
      toLatitudeDeg: 9,
      toLongitudeDeg: 5,
      declinationDeg: 4,
    });
    expect(south.trueDeg).to.be.closeTo(180, 1e-9);
    expect(south.compassDeg).to.be.closeTo(176, 1e-9);
  });

  it('pins of TIA-568: B to B straight, A to B with pairs 2 and 3 changed; serial crossed or not', () => {
    const straight = runCalculator('pin-out', {});
    if (!straight.ok) throw new Error(straight.problem.code);
    const { pins, pairs, ok } = straight.value as { pins: string[]; pairs: string[]; ok: boolean };
    expect([pins[0], pins[7], ok]).to.deep.equal(['1 white-orange → 1', '8 brown → 8', true]);
    expect(pairs[0]).to.equal('pair 1: 4-5, blue and white-blue');
    const crossed = runCalculator('pin-out', { near: 'T568A', far: 'T568B' });
    const mixed = crossed.ok ? (crossed.value as { pins: string[]; ok: boolean }) : null;
    expect([mixed?.pins[0], mixed?.pins[1], mixed?.pins[2], mixed?.ok]).to.deep.equal([
      ...['1 white-green → 3', '2 green → 6', '3 white-orange → 1'],
      false,
    ]);
    const serial = runCalculator('pin-out', { kind: 'serial' });
    expect(serial.ok && (serial.value as { pins: string[] }).pins).to.include('2 receive → 3');
  });
});
