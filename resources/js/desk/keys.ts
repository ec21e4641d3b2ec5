/** Something that can be done, with the key that does it. */
export interface Key {
    /** As `KeyboardEvent.key` has them, letters in lower case. */
    keys: readonly string[];
    /** What the sheet of keys says. */
    what: string;
    run: (event?: KeyboardEvent) => void;
    /** Whether there is something to do now; without it the key belongs to whoever knows it next. */
    when?: () => boolean;
    /** How the keys are shown; null for keys that the sheet leaves out, as a second one for the same. */
    shown?: readonly string[] | null;
    /** The name of its button among the tools; without one it has none. */
    label?: string;
    /** Whether its button gives way first where room is short. */
    rare?: boolean;
}

const SHOWN: Readonly<Record<string, string>> = { ArrowLeft: '←', ArrowRight: '→', ArrowUp: '↑', ArrowDown: '↓', ' ': 'Space', Escape: 'Esc' };

/** How the key of a tool is written on its button. */
export function letterOf({ keys }: Key): string {
    const key = keys[0] ?? '';
    return SHOWN[key] ?? (key.length === 1 ? key.toUpperCase() : key);
}

/** How keys are written in the sheet. */
export function shownKeys(key: Key): readonly string[] {
    return key.shown ?? [letterOf(key)];
}

const TYPED_INTO = 'input:not([type="checkbox"]), textarea, select, [role="combobox"], [role="listbox"], [role="dialog"]';

/** What a key that was pressed does, of several lists the first that knows it; null where somebody types. */
export function keyFor(event: KeyboardEvent, lists: readonly (readonly Key[])[]): Key | null {
    if (event.altKey || event.ctrlKey || event.metaKey || (event.target as HTMLElement).closest(TYPED_INTO)) return null;
    const pressed = event.key.length === 1 ? event.key.toLowerCase() : event.key;
    for (const list of lists) {
        const now = list.filter(({ when }) => when === undefined || when());
        const found = now.find(({ keys }) => keys.includes(event.shiftKey ? `⇧${pressed}` : pressed)) ?? now.find(({ keys }) => keys.includes(pressed));
        if (found) return found;
    }
    return null;
}
