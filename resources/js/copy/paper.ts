/** How a copy is printed. */
export interface Paper {
    size: 'small' | 'usual' | 'large' | 'very-large';
    paper: 'a4' | 'letter';
    landscape: boolean;
}

export const USUAL: Paper = { size: 'usual', paper: 'a4', landscape: false };

/** mm. */
const SHEETS = { a4: [210, 297], letter: [215.9, 279.4] } as const;
const MARGIN = 12;

/** Units of music across a sheet of A4: the fewer, the larger it is printed. A staff is 72 units high. */
const UNITS = { small: 2500, usual: 2100, large: 1700, 'very-large': 1350 } as const;

/** px to a mm of paper. */
const PX = 96 / 25.4;

const A4 = (SHEETS.a4[0] - 2 * MARGIN) * PX;

/** px of music from margin to margin. */
export function widthOf({ paper, landscape }: Paper): number {
    return Math.round((SHEETS[paper][landscape ? 1 : 0] - 2 * MARGIN) * PX);
}

/** Per cent at which it is engraved. */
export const scaleOf = ({ size }: Paper): number => Math.round((100 * A4) / UNITS[size]);

/** A text in a style sheet. */
const quoted = (text: string): string => `"${text.replace(/["\\]/g, '\\$&').replace(/[\n\r\f<]/g, ' ')}"`;

/** The rules by which a browser prints it: sheets with their numbers, and from the second one on whose copy of what it is. */
export function pageRules({ paper, landscape }: Paper, running: string): string {
    const font = 'font: italic 9pt serif; color: #444;';
    return (
        `@page { size: ${paper === 'a4' ? 'A4' : 'letter'} ${landscape ? 'landscape' : 'portrait'}; margin: ${MARGIN}mm ${MARGIN}mm ${MARGIN + 3}mm;` +
        ` @bottom-center { content: counter(page) " of " counter(pages); ${font} }` +
        ` @bottom-right { content: ${quoted(running)}; ${font} } }`
    );
}
