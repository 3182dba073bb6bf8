/** Words of colour and of the trade that not everybody knows, each in a sentence a painter would say. */
export const TERMS = {
    ΔE: 'How far two colours are apart as the eye sees them (CIEDE2000): below 1 nobody tells them apart, from 3 it is visible across a table.',
    'L*': 'Lightness: 0 is black, 100 is white, and equal steps look equal.',
    estimate: 'Computed from what is usual, not from a reading of your own pot, brush or piece.',
    tint: 'One drop of the pot in five of white: it shows how strong the pot is in mixes.',
    chart: 'A card of 24 patches with published colours. A photo with it tells what the camera and the lamp made of colours.',
    'time at the bench':
        'What such a step takes for an area of that size, as a rule; once you have painted such steps, what they took you.',
    drying: 'What paint of that kind and thickness takes in your room, as you set it under Schedule: still, moving or warm air.',
    'paint needed':
        'The area in cm² times the film that the technique leaves, and what stays in brush and cup; your own runs correct it.',
    zone: 'A part of an area by how the light finds it: recess, shade, mid, light, edge. Each has its own colour in a finish.',
    zenithal:
        'Sprayed from straight above over a dark primer, as light falls at noon: it shows where the highlights belong.',
    'wet blend': 'Two paints pushed into each other while both are wet: no step is left between them.',
    dwell: 'How long something has to stay on before it may come off or be wiped: a mask, an oil wash, a glue.',
    'dry brush': 'A brush with hardly any paint drawn over the relief: only what stands out takes it.',
    wash: 'Thin paint that runs off what stands out and stands in the recesses.',
    glaze: 'A thin even film that tints what lies below without hiding it.',
    masstone: 'The colour of a layer so thick that nothing shows through.',
    opacity: 'How many coats it takes until nothing of what lies below is seen.',
    thinner: 'Parts of water or medium to one part of paint.',
    sheen: 'How glossy a surface is. Gloss makes a dark colour deeper, matt makes it paler.',
    metamerism:
        'Two colours that agree in one light and part in another: seen when a match made by day is carried under a lamp.',
    'white balance':
        'What makes a photo say what colour a thing has, and not what the lamp had: a grey card or a chart in it.',
    exposure: 'Share of a spray that reaches a place, from none to all of it.',
    spread: 'How far the pixels or readings that were averaged lie apart.',
} as const;

export type TermName = keyof typeof TERMS;
