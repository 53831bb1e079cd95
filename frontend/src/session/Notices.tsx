import { useQuery } from '@tanstack/react-query';
import { api, got } from '../api/client';
import { say } from '../words';

const MINUTES = 5;

/** Said on every page, also before a login: that this is a demonstration, that there is no room for pictures. */
export function Notices() {
    const setting = useQuery({ queryKey: ['setting'], queryFn: () => got(api.GET('/api/setting')), staleTime: MINUTES * 60_000, refetchInterval: MINUTES * 60_000, retry: false });
    if (setting.data === undefined || (!setting.data.demonstration && setting.data.takesPhotos)) {
        return null;
    }
    return (
        <section aria-label="Notices" className="no-print">
            {setting.data.demonstration && <p className="border-b border-line bg-paper px-4 py-0.5 text-center text-sm text-soft">{say('demo.banner')}</p>}
            {!setting.data.takesPhotos && (
                <p role="alert" className="border-b border-line px-4 py-1 text-doubt">
                    ▲ {say('disk.full')}
                </p>
            )}
        </section>
    );
}
