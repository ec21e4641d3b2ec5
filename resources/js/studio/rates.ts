/** Notes to a click when a student's quickness is measured. */
const TO_A_CLICK = 4;

/** Notes a second from clicks a minute. */
export function rateFromClicks(clicks: number | null): number | null {
    return clicks === null ? null : (clicks * TO_A_CLICK) / 60;
}

/** Clicks a minute from notes a second. */
export function clicksFromRate(rate: number | null): number | null {
    return rate === null ? null : Math.round((rate * 60) / TO_A_CLICK);
}
