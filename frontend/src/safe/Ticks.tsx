import { useState } from 'react';
import type { Schemas } from '../api/client';
import { Button } from '../ui/parts';
import { say } from '../words';

interface Props {
    legend: string;
    devices: Schemas['DeviceView'][];
    /** Ticked from the start: what the isolation asks for. */
    asked: Schemas['DeviceView'][];
    /** Said where there is nothing to tick. */
    none: string;
    busy: boolean;
    onDone: (ids: string[]) => void;
}

/** What was in fact switched, one tick each: the record names what is ticked and nothing else. */
export function Ticks({ legend, devices, asked, none, busy, onDone }: Props) {
    const [untouched, setTouched] = useState<Record<string, boolean>>({});
    const isOn = (id: string) => untouched[id] ?? asked.some((device) => device.id === id);
    return (
        <div className="w-full space-y-2">
            {devices.length === 0 && <p className="text-soft">{none}</p>}
            {devices.length > 0 && (
                <fieldset>
                    <legend className="font-bold">{legend}</legend>
                    {devices.map((device) => (
                        <label key={device.id} className="flex min-h-11 items-center gap-2">
                            <input type="checkbox" className="size-5 accent-(--ink)" checked={isOn(device.id)} onChange={() => setTouched({ ...untouched, [device.id]: !isOn(device.id) })} />
                            {device.name}
                        </label>
                    ))}
                </fieldset>
            )}
            <Button look="next" disabled={busy} onClick={() => onDone(devices.map((device) => device.id).filter(isOn))}>
                {say('safe.done')}
            </Button>
        </div>
    );
}
