/** What is odd and possible in the house as surveyed: something to look at. */
export function Findings({ words }: { words: string[] }) {
    if (words.length === 0) {
        return null;
    }
    return (
        <section aria-labelledby="findings">
            <h2 id="findings" className="text-lg font-bold">
                Odd in the survey
            </h2>
            <ul className="mt-1 list-disc space-y-1 pl-5 text-sm">
                {words.map((sentence) => (
                    <li key={sentence}>{sentence}</li>
                ))}
            </ul>
        </section>
    );
}
