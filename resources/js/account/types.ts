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

export interface InvitationItem {
    id: number;
    note: string | null;
    expires: string;
}
