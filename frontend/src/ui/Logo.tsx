/** Two probes and the lead between them. */
export function Logo() {
    return (
        <svg viewBox="0 0 34 26" className="h-7" aria-hidden="true">
            <path d="M8 17c2 9 16 9 18 0" fill="none" stroke="currentColor" strokeWidth="2.2" />
            <path d="M8 3l5 7-5 7-5-7zM26 3l5 7-5 7-5-7z" fill="#ffd60a" stroke="currentColor" strokeWidth="1.6" />
        </svg>
    );
}
