/** How moulds are spoken of, the same on every screen. */
export const conditions: Record<string, string> = { fresh: 'fresh', gloss_gone: 'gloss gone', pits: 'pits', cracked: 'cracked' };
export const marks: Record<string, string> = { torn_key: 'torn key', warped: 'warped', sticky: 'sticky' };
export const acts: Record<string, string> = {
    washed: 'Washed',
    dried: 'Dried',
    released: 'Released',
    dusted: 'Dusted',
    repaired: 'Repaired',
    stored: 'Stored flat',
};
export const whys: Record<string, string> = { worn: 'worn out', broken: 'broken', spare: 'no longer needed', gone: 'given away or lost' };
export const schools: Record<string, string> = {
    every: 'before every cast',
    harsh: 'only before resin, foam and hot vinyl',
    wash: 'after each wash',
};
