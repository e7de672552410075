/** What the cast would have been. */
export const came: Record<string, string> = {
    good: 'a good cast',
    usable: 'a usable cast',
    spoilt: 'a spoilt cast',
    nothing: 'no cast',
};

/** Where somebody stands with a skill. */
export const stands: Record<string, string> = {
    new: 'not practised yet',
    shaky: 'wants practice',
    comes: 'comes on',
    sure: 'sure',
};

/** What can go wrong, and what its number says. */
export const mishap: Record<string, { name: string; by: string }> = {
    heavy_hand: { name: 'A heavy hand', by: 'so much runs on after it lets go' },
    room: { name: 'Another room', by: 'how warm' },
    pot_life: { name: 'It gels at another time', by: 'so many times its pot life' },
    recoat: { name: 'Its windows are elsewhere', by: 'so many times as late' },
    demould: { name: 'It opens at another time', by: 'so many times as late' },
    ground: { name: 'It lies on something bad', by: '' },
    scale_out: { name: 'The scale drops out', by: 'for how long' },
    scale_leans: { name: 'Something leans on the pan', by: 'how heavily' },
    rises: { name: 'It rises under vacuum', by: 'to so many times its height' },
    called: { name: 'Somebody calls', by: 'for how long' },
    leak: { name: 'The seam leaks', by: 'how fast' },
    wrong_tub: { name: 'The wrong tub is handed over', by: '' },
    empty_tube: { name: 'A tube runs empty', by: '' },
    plate: { name: 'The plate is another', by: 'so many times as strong' },
};

export const ground: Record<string, string> = {
    sulphur: 'clay with sulphur',
    latex: 'latex',
    tin: 'tin silicone',
    fresh_resin: 'resin not cured through',
    solvent: 'solvent not flown off',
};
