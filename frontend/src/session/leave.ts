import type { QueryClient } from '@tanstack/react-query';

/** Of this device and no customer's: it stays. */
const KEPT = ['yellow-probe.device', 'yellow-probe.mode'];

/** Ends the login and takes everything of the customers off this device, but what its person has not sent yet. */
export async function leave(client: QueryClient): Promise<void> {
    await fetch('/api/logout', { method: 'POST' });
    for (const key of Object.keys(localStorage)) {
        if (key.startsWith('yellow-probe') && !KEPT.includes(key)) {
            localStorage.removeItem(key);
        }
    }
    sessionStorage.clear();
    client.clear();
    // The page itself goes too: what it shows and holds in memory is gone, and Back finds a login.
    location.replace('/');
}
