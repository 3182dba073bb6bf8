import type { AreaForm, ColourProps, Zone } from '@/types/generated';
import { timeWords } from './settings';

export const ZONES: readonly Zone[] = ['recess', 'shade', 'mid', 'light', 'edge'];

/** CIEDE2000 and Lab numbers: one decimal, no minus before a nought. */
export function one(value: number): string {
    return value.toFixed(1).replace(/^-0\.0$/, '0.0');
}

export function labWords(colour: ColourProps): string {
    const [l = 0, a = 0, b = 0] = colour.lab;
    // A number stays on the line of its letter.
    return `L*\u00a0${one(l)}  a*\u00a0${one(a)}  b*\u00a0${one(b)}`;
}

export function minutesWords(minutes: number): string {
    if (minutes < 120) return `${minutes} min`;
    const rest = minutes % 60;
    return rest === 0 ? `${Math.floor(minutes / 60)} h` : `${Math.floor(minutes / 60)} h ${rest} min`;
}

export function many(count: number, what: string): string {
    return `${count} ${what}${count === 1 ? '' : 's'}`;
}

/** "1 + 2" parts of paint and thinner; never a percentage. */
export function dilutionWords(thinner: number): string {
    return thinner === 0 ? 'undiluted' : `1 paint + ${Number.isInteger(thinner) ? thinner : one(thinner)} thinner`;
}

export function zonesWords(zones: readonly Zone[], form: AreaForm = 'light and shade'): string {
    if (zones.length === ZONES.length) return form === 'gradient' ? 'root to tip' : 'all zones';
    return zones.map((zone) => zoneName(form, zone)).join(', ');
}

/** A step for many areas says how many: their names are many lines long. */
export function areasWords(names: readonly string[]): string {
    return names.length > 2 ? `${names.length} areas` : names.join(', ');
}

/** What painters call a zone of such an area. */
export function zoneName(form: AreaForm, zone: Zone): string {
    if (form === 'gradient') return PLACES[zone];
    if (form !== 'eye') return zone;
    if (zone === 'mid') return 'iris';
    return zone === 'recess' || zone === 'shade' ? 'pupil' : 'white';
}

const PLACES: Record<Zone, string> = {
    recess: 'root',
    shade: 'near the root',
    mid: 'middle',
    light: 'near the tip',
    edge: 'tip',
};

/** The zones that such an area has. */
export function zonesOf(form: AreaForm): readonly Zone[] {
    if (form === 'flat sign') return ['mid'];
    return form === 'eye' ? ['recess', 'mid', 'light'] : ZONES;
}

export function capital(text: string): string {
    return text.charAt(0).toUpperCase() + text.slice(1);
}

/** Black or white, whichever reads on the colour. */
export function inkOn(hex: string): string {
    const value = Number.parseInt(hex.slice(1), 16);
    const linear = (shift: number) => (((value >> shift) & 255) / 255) ** 2.2;
    return 0.2126 * linear(16) + 0.7152 * linear(8) + 0.0722 * linear(0) > 0.18 ? '#000000' : '#ffffff';
}

/** A time of day as the painter reads it. */
export function clockWords(hhmm: string): string {
    return timeWords(new Date(`2000-01-01T${hhmm}`));
}

/** A day, with its year where it is not this one: "25 Nov". */
export function day(iso: string): string {
    const at = new Date(iso);
    const year = at.getFullYear() === new Date().getFullYear() ? {} : ({ year: 'numeric' } as const);
    return at.toLocaleDateString(undefined, { day: 'numeric', month: 'short', ...year });
}

/** When something is due: in minutes while that is near, then by the clock, by the day and the clock. */
export function whenWords(at: number, now: number): string {
    const minutes = Math.ceil((at - now) / 60_000);
    if (minutes < 90) return `in ${minutesWords(Math.max(1, minutes))}`;
    const clock = timeWords(new Date(at));
    const days = Math.round((new Date(at).setHours(0, 0, 0, 0) - new Date(now).setHours(0, 0, 0, 0)) / 86_400_000);
    if (days === 0) return `at ${clock}`;
    if (days === 1) return `tomorrow at ${clock}`;
    const day = new Date(at).toLocaleDateString(undefined, { weekday: 'long', day: 'numeric', month: 'long' });
    return `on ${day} at ${clock}`;
}
