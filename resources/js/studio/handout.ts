import type { Paper } from '../copy/paper';

/** What of the plan a marked copy shows, and how it is printed. */
export interface HandoutData extends Paper {
    copy: number;
    /** Names of what is shown, and of all that can be. */
    show: string[];
    all: string[];
}
