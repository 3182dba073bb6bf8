/** Words of colour and of the trade that not everybody knows, each in a sentence a painter would say. */
export const TERMS = {
    ΔE: 'How far two colours are apart as the eye sees them (CIEDE2000): below 1 nobody tells them apart, from 3 it is visible across a table.',
    'L*': 'Lightness: 0 is black, 100 is white, and equal steps look equal.',
    estimate: 'Computed from what is usual, not from a reading of your own pot, brush or piece.',
    tint: 'One drop of the pot in five of white: it shows how strong the pot is in mixes.',
    chart: 'A card of 24 patches with published colours. A photo with it tells what the camera and the lamp made of colours.',
} as const;

export type TermName = keyof typeof TERMS;
