import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { asText, given, numbers } from './typed';

const sum: Schemas['SumView'] = {
    slug: 'length',
    words: 'Resistance to length',
    formula: 'L = R / r',
    source: '',
    caution: '',
    inputs: [
        { key: 'ohms', words: 'Resistance', kind: 'number', unit: 'Ω', usual: '0.37', choices: [] },
        { key: 'size', words: 'Conductor', kind: 'choice', unit: '', usual: 'mm2:2.5', choices: [{ slug: 'mm2:2.5', words: '2.5 mm²' }, { slug: 'mm2:4', words: '4 mm²' }] },
    ],
};

describe('what is typed for a sum', () => {
    it('is sent where it differs from the usual, and kept as typed', () => {
        expect(given(sum.inputs, {})).toEqual({});
        expect(given(sum.inputs, { ohms: '0.37', size: 'mm2:4' })).toEqual({ size: 'mm2:4' });
        expect(given(sum.inputs, { ohms: '' })).toEqual({ ohms: '' });
        expect(given(sum.inputs, { stranger: '1' })).toEqual({});
    });
    it('stands in the record with what came out', () => {
        expect(asText(sum, { ohms: '0,5' }, [{ words: 'Length', text: '67.5 m', value: 67.5, warns: false }])).toBe('Sum, Resistance to length: Resistance 0,5 Ω; Conductor 2.5 mm². Length: 67.5 m.');
    });
    it('is drawn as far as it is numbers', () => {
        expect(numbers('1 2,5;x  3')).toEqual([1, 2.5, 3]);
        expect(numbers(' ')).toEqual([]);
    });
});
