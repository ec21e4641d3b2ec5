/**
 * Runs work for one question at a time; of the questions that come meanwhile only the last is asked.
 *
 * @param merge what to ask where one waits already
 */
export function latestOnly<Question>(work: (question: Question) => Promise<void>, merge: (waiting: Question, next: Question) => Question = (_, next) => next) {
    let waiting: { question: Question } | null = null;
    let asking = false;
    return async (question: Question): Promise<void> => {
        waiting = { question: waiting === null ? question : merge(waiting.question, question) };
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
