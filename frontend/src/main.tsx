import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { Refusal } from './api/client';
import { App } from './app';
import './styles.css';

const client = new QueryClient({
    defaultOptions: {
        // The outbox keeps what could not be sent: an observation must reach it also when the device knows it is offline.
        mutations: { networkMode: 'always' },
        queries: {
            networkMode: 'always',
            // A refusal stays a refusal; only what did not arrive is asked for again.
            retry: (count, error) => count < 2 && !(error instanceof Refusal && error.status >= 400 && error.status < 500),
            staleTime: 5_000,
        },
    },
});

const root = document.getElementById('root');
if (root) {
    createRoot(root).render(
        <StrictMode>
            <QueryClientProvider client={client}>
                <BrowserRouter>
                    <App />
                </BrowserRouter>
            </QueryClientProvider>
        </StrictMode>,
    );
}
