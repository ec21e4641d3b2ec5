/** "1 min 20 s" */
export function lengthInWords(seconds: number): string {
    const minutes = Math.floor(seconds / 60);
    return minutes === 0 ? `${seconds} s` : `${minutes} min ${seconds % 60} s`;
}
