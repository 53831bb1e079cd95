import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { NavLink } from 'react-router';
import { useCall } from '../api/hooks';
import { useMay } from '../session/may';
import { say } from '../words';
import { DangerNow } from './DangerNow';
import { isLive } from './HouseStrip';
import { missing } from './missing';
import { stages } from './stages';

/** The call that is open: where it is, its stages, and the way out of danger. */
export default function CallBar({ id, stage }: { id: string; stage: string }) {
    const detail = useCall(id).data;
    const may = useMay();
    if (!detail) {
        return <div className="grow" />;
    }
    const isOn = detail.standing === null || isLive(detail.standing, detail.state.positions as Record<string, string>);
    const current = stages.find((each) => each.slug === stage);
    const marked = stages.map((each) => ({ ...each, open: missing(each.slug, detail) }));
    return (
        <>
            <div className="min-w-0 grow roomy:max-w-52 roomy:grow-0">
                <h1 className="truncate font-bold" title={detail.call.address}>
                    {detail.call.address}
                </h1>
                <p className="truncate text-sm text-soft compact:sr-only">{detail.call.customer}</p>
            </div>
            {stage === 'trace' && detail.standing && (
                <p className={`hidden shrink-0 px-2 font-bold low:block ${isOn ? '' : 'bg-ink text-paper'}`}>
                    {isOn ? `▲ ${say('strip.live-short')}` : `■ ${say('strip.off')}`}
                    {detail.standing.temporary.length > 0 && <span className="font-normal"> · {say('strip.temporary', { count: detail.standing.temporary.length })}</span>}
                </p>
            )}
            <nav aria-label={say('stages')} className="flex shrink-0 roomy:min-w-0 roomy:shrink roomy:grow">
                <span className="hidden self-stretch roomy:flex">
                    {marked.map((each) => (
                        <NavLink key={each.slug} to={`/calls/${id}/${each.slug}`} title={each.open === '' ? undefined : `${each.words}: ${each.open}`} className={({ isActive }) => `flex min-h-12 shrink-0 items-center border-b-4 px-1.5 xl:px-2.5 ${isActive ? 'border-ink font-bold' : 'border-transparent text-soft'}`}>
                            <span aria-hidden="true" className="mr-1 text-xs">
                                {each.open === '' ? '●' : '○'}
                            </span>
                            {each.words}
                            {each.open !== '' && <span className="sr-only">, {each.open}</span>}
                        </NavLink>
                    ))}
                </span>
                <Menu>
                    <MenuButton className="min-h-11 border-b-4 border-ink px-2 font-bold whitespace-nowrap roomy:hidden">{current?.words} ▾</MenuButton>
                    <MenuItems anchor="bottom end" className="z-30 border border-ink bg-sheet text-ink shadow-lg">
                        {marked.map((each) => (
                            <MenuItem key={each.slug}>
                                <NavLink to={`/calls/${id}/${each.slug}`} className="flex min-h-11 items-center gap-2 px-4 data-focus:bg-ink data-focus:text-paper">
                                    <span aria-hidden="true">{each.open === '' ? '●' : '○'}</span>
                                    {each.words}
                                    {each.open !== '' && <span className="text-sm">{each.open}</span>}
                                </NavLink>
                            </MenuItem>
                        ))}
                    </MenuItems>
                </Menu>
            </nav>
            {may('measure') && <DangerNow detail={detail} className={stage === 'trace' ? 'compact:hidden low:block!' : ''} />}
        </>
    );
}
