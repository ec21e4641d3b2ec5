const waiting: (() => void)[] = [];
let running = false;

/** Runs pieces of work one after the other with a frame between them, so that none keeps the page from moving. */
export function inTurn(work: () => void): () => void {
    waiting.push(work);
    if (!running) {
        running = true;
        next();
    }
    return () => {
        const place = waiting.indexOf(work);
        if (place >= 0) waiting.splice(place, 1);
    };
}

function next(): void {
    const work = waiting.shift();
    if (!work) {
        running = false;
        return;
    }
    work();
    // After the frame in which it is painted.
    requestAnimationFrame(() => setTimeout(next));
}
