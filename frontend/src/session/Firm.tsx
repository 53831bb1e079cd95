import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, got, type Schemas } from '../api/client';
import { Button, inputLook, Modal, Refused } from '../ui/parts';
import { say } from '../words';

/** What holds for everybody of the firm. */
export function Firm({ me, onClose }: { me: Schemas['Me']; onClose: () => void }) {
    const client = useQueryClient();
    const [minutes, setMinutes] = useState(String(me.proofMinutes));
    const settle = useMutation({
        mutationFn: () => got(api.PUT('/api/firm', { body: { proofMinutes: Number(minutes) } })),
        onSuccess: (settled) => {
            client.setQueryData(['me'], settled);
            void client.invalidateQueries({ queryKey: ['call'] });
            onClose();
        },
    });
    return (
        <Modal open onClose={onClose} title={say('firm.title', { firm: me.firm })}>
            <form
                className="space-y-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    settle.mutate();
                }}
            >
                <label className="block font-bold">
                    {say('firm.minutes')}
                    <input className={`${inputLook} mt-1 max-w-32 font-mono font-normal`} inputMode="numeric" pattern="[0-9]+" required value={minutes} onChange={(event) => setMinutes(event.target.value)} />
                </label>
                <p className="text-soft">{say('firm.locked')}</p>
                <Refused error={settle.error} />
                <Button type="submit" disabled={settle.isPending}>
                    {say('firm.store')}
                </Button>
            </form>
        </Modal>
    );
}
