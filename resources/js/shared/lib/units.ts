import { settings } from '@/shared/lib/settings';

/** Lengths are kept in mm and volumes in mL; here they are written as the painter wants to read them. */
const INCH = 25.4;

/** mL of a drop where none of a certain pot is meant: common practice. */
export const DROP = 0.05;

const isInches = () => settings().length === 'in';
const isDrops = () => settings().volume === 'drops';

/** Three digits, as a ruler of inches has them, and no zeros behind. */
function short(value: number): string {
    const size = Math.abs(value);
    return String(Number(value.toFixed(size < 1 ? 3 : size < 10 ? 2 : 1)));
}

export function lengthUnit(): string {
    return isInches() ? 'in' : 'mm';
}

/** As it is said in a label. */
export function lengthName(): string {
    return isInches() ? 'inches' : 'mm';
}

export function volumeUnit(): string {
    return isDrops() ? 'drops' : 'mL';
}

export function areaUnit(): string {
    return isInches() ? 'in²' : 'cm²';
}

/** A number for a field, as the painter types it; what is no number stays as it was typed. */
function typedFrom(kept: number | string, inch: number): string {
    const text = String(kept);
    const value = Number(text.replace(',', '.'));
    return isInches() && text.trim() !== '' && Number.isFinite(value) ? short(value / inch) : text;
}

/** The other way; what is no number stays as it was typed, for the server to say so. */
function keptOf(typed: string, inch: number): string {
    const text = typed.replace(',', '.');
    const value = Number(text);
    return isInches() && text.trim() !== '' && Number.isFinite(value)
        ? String(Number((value * inch).toFixed(2)))
        : text;
}

export const fromMm = (mm: number | string) => typedFrom(mm, INCH);
export const toMm = (typed: string) => keptOf(typed, INCH);
/** What is kept in whole mm; in mm it stays as it was typed, for the server to say what is wrong with it. */
export const toWholeMm = (typed: string) => {
    const mm = toMm(typed);
    return isInches() && mm !== '' && Number.isFinite(Number(mm)) ? String(Math.round(Number(mm))) : mm;
};
export const fromCm2 = (cm2: number | string) => typedFrom(cm2, INCH ** 2 / 100);
export const toCm2 = (typed: string) => keptOf(typed, INCH ** 2 / 100);

/** A length; given as words where the number of its digits matters. */
export function lengthWords(mm: number | string): string {
    return isInches() ? `${short(Number(mm) / INCH)} in` : `${mm} mm`;
}

export function areaWords(cm2: number | string): string {
    return isInches() ? `${short((Number(cm2) * 100) / INCH ** 2)} in²` : `${cm2} cm²`;
}

/** The number of a volume alone. */
export function volumeNumber(millilitres: number | string): string {
    const drops = Number(millilitres) / DROP;
    // Nobody counts tenths of many drops.
    return isDrops() ? String(Number(drops.toFixed(drops < 1 ? 2 : drops < 10 ? 1 : 0))) : String(millilitres);
}

export function volumeWords(millilitres: number | string): string {
    const number = volumeNumber(millilitres);
    return `${number} ${isDrops() && number === '1' ? 'drop' : volumeUnit()}`;
}

/** A sentence of the server's, which are all in mm, cm² and mL. */
export function inOwnUnits(words: string): string {
    return words.replace(/(\d+(?:\.\d+)?) (mm|cm²|mL)(?![\p{L}²])/gu, (_, number: string, unit: string) =>
        unit === 'mm' ? lengthWords(number) : unit === 'mL' ? volumeWords(number) : areaWords(number),
    );
}
