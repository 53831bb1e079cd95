import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions, Field, Label } from '@headlessui/react';
import { useState } from 'react';
import { useHouses } from '../api/hooks';
import { inputLook } from '../ui/parts';
import { say } from '../words';
import { useSettling } from './settling';

const optionLook = 'min-h-11 cursor-pointer px-3 py-2 data-focus:bg-ink data-focus:text-paper data-selected:font-bold';

/** A house of the firm, by words of its address; or none. */
export function HousePick({ value, onChange }: { value: string; onChange: (id: string, address: string) => void }) {
    const [sought, setSought] = useState('');
    const [chosen, setChosen] = useState('');
    const houses = useHouses(useSettling(sought)).data ?? [];
    const choose = (id: string | null) => {
        const address = houses.find((each) => each.id === id)?.address ?? '';
        setChosen(address);
        onChange(id ?? '', address);
    };
    return (
        <Field>
            <Label className="mb-1 block font-bold">{say('calls.house')}</Label>
            <Combobox value={value} immediate onChange={choose} onClose={() => setSought('')}>
                <ComboboxInput className={inputLook} autoComplete="off" maxLength={200} placeholder={say('calls.house-none')} displayValue={() => chosen} onChange={(event) => setSought(event.target.value)} />
                <ComboboxOptions anchor="bottom start" className="z-30 max-h-80 w-(--input-width) overflow-y-auto border border-ink bg-sheet text-ink shadow-lg [--anchor-gap:2px]">
                    <ComboboxOption value="" className={optionLook}>
                        {say('calls.house-none')}
                    </ComboboxOption>
                    {houses.map((each) => (
                        <ComboboxOption key={each.id} value={each.id} className={optionLook}>
                            {each.address}
                        </ComboboxOption>
                    ))}
                </ComboboxOptions>
            </Combobox>
        </Field>
    );
}
