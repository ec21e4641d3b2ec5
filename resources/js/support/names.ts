/** Note and chord names as they are printed: "Bb7/F#" becomes "B♭7/F♯". */
export function printed(name: string): string {
    return name
        .replaceAll('#', '♯')
        .replace(/(^|\/)([A-G])(b+)/g, (_, before: string, letter: string, flats: string) => before + letter + '♭'.repeat(flats.length));
}
