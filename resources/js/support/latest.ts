/** Runs work for one question at a time; of the questions that come meanwhile only the last is asked. */
export function latestOnly<Question>(work: (question: Question) => Promise<void>) {
    let waiting: { question: Question } | null = null;
    let asking = false;
    return async (question: Question): Promise<void> => {
        waiting = { question };
        if (asking) return;
        asking = true;
        while (waiting !== null) {
            const now: Question = waiting.question;
            waiting = null;
            await work(now);
        }
        asking = false;
    };
}
