/** An id that none of the marks has: "slur-3". */
export function freshId(prefix: string, marks: readonly { id: string }[]): string {
    const used = new Set(marks.map(({ id }) => id));
    let number = marks.length + 1;
    while (used.has(`${prefix}-${number}`)) number++;
    return `${prefix}-${number}`;
}
