import { expect, test } from 'vitest';
import { amps } from './parting';

test('what a clamp shows is read as people write it', () => {
    expect(amps('0,3 mA')).toBeCloseTo(3e-4, 12);
    expect(amps('12m')).toBeCloseTo(0.012, 12);
    expect(amps('.2 A')).toBeCloseTo(0.2, 12);
    expect(amps('0')).toBe(0);
    expect(amps('< 0.01 A')).toBeCloseTo(0.01, 12);
    expect(amps('some')).toBeNull();
    expect(amps('1,200')).toBeCloseTo(1.2, 12);
});
