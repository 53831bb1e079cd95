import { Component, type ReactNode } from 'react';
import { say } from '../words';
import { Button } from './parts';

/** What fails inside is said in its place, and the rest of the page stays. Give it a key that changes with what it holds. */
export class Boundary extends Component<{ children: ReactNode }, { failed: boolean }> {
    override state = { failed: false };

    static getDerivedStateFromError() {
        return { failed: true };
    }

    override render() {
        return this.state.failed ? (
            <div role="alert" className="mx-auto max-w-2xl space-y-3 p-6">
                <p className="border-l-4 border-bad pl-3 text-bad">◆ {say('failed.stage')}</p>
                <Button onClick={() => location.reload()}>{say('failed.reload')}</Button>
            </div>
        ) : (
            this.props.children
        );
    }
}
