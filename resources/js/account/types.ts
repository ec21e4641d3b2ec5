export interface AccountData {
    name: string;
    email: string;
    /** Whose day it is: "Europe/Oslo". */
    timezone: string;
    verified: boolean;
    second_factor: boolean;
    /** How many recovery codes are left. */
    recovery_codes: number;
}

/** How far from the plan a take may be before it is told. */
export interface LimitItem {
    kind: string;
    label: string;
    subject: string;
    unit: string;
    usual: number;
    /** What the studio has otherwise. */
    own: number | null;
}

export interface InvitationItem {
    id: number;
    note: string | null;
    expires: string;
}
