/** A note name as it is printed: "Bb" becomes "B♭". */
export function printed(name: string): string {
    return name.charAt(0) + name.slice(1).replaceAll('#', '♯').replaceAll('b', '♭');
}
