/** Hands a document to the person as a JSON file. */
export function download(document: unknown, name: string): void {
    const link = window.document.createElement('a');
    link.href = URL.createObjectURL(new Blob([JSON.stringify(document, null, 2)], { type: 'application/json' }));
    link.download = `${name}.json`;
    link.click();
    URL.revokeObjectURL(link.href);
}
