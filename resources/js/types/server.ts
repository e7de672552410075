// Written by `php artisan types:write`. Change the PHP classes, not this file.

/** The ballast a body needs, where it goes, and how it then sinks. */
export type BallastResult = {
    resin_sg: number;
    ballast_g: number;
    without_displacement_g: number;
    at_mm: [number, number, number] | null;
    split: {
        mass_g: number;
        at_mm: [number, number, number];
    }[] | null;
    whole_g: number;
    sinks_mm_s: number | null;
    centre_mm: [number, number, number] | null;
    hangs: {
        up: [number, number, number];
        trim_deg: number;
        lean_deg: number;
    } | null;
    warnings: {
        code: string;
        message: string;
    }[];
};

/** The coats of a brushed mould, its keys, and the operations of its day. */
export type BrushedMouldResult = {
    wall_mm: number;
    mass_g: number;
    coats: ({
        kind: string;
        thickness_mm: number;
        volume_ml: number;
        mass_g: number;
        thickener_g: number;
        tint: string | null;
        cups: number;
        hands_min: number;
    })[];
    keys: {
        volume_ml: number;
        mass_g: number;
    } | null;
    embed_within_min: number;
    ops: Record<string, unknown>[];
    warnings: {
        code: string;
        message: string;
    }[];
};

/** What bad pours have in common, the surest first, or that it cannot be known yet. */
export type CommonResult = {
    found: {
        what: string;
        value: string;
        bad: number;
        all: number;
        elsewhere_bad: number;
        elsewhere_all: number;
        chance: number;
        corrected: number;
        sure: boolean;
    }[];
    looked: number;
    bad: number;
    all: number;
    says: string;
};

/** Two formulas side by side, everything on the same bases, so that a change of basis does not pass for a change of formula. */
export type ComparisonResult = {
    rows: ({
        code: string;
        name: string;
        left: {
            pct_of_ab: number;
            pct_of_one_part: number;
        } | null;
        right: {
            pct_of_ab: number;
            pct_of_one_part: number;
        } | null;
        change: 'same' | 'more' | 'less' | 'new' | 'gone';
    })[];
    left_sg: number;
    right_sg: number;
    same_base: boolean;
    same_order: boolean;
};

/** What a contact asks for, why, and what to do about it. */
export type ContactResult = {
    verdict: 'clear' | 'release' | 'seal-and-release' | 'test-first' | 'stop';
    safe: boolean;
    in_short: string;
    adhesion: 'lets-go' | 'grips' | 'fuses';
    inhibition: 'none' | 'may-slow' | 'stops';
    wear: number;
    because: ({
        rule: string;
        text: string;
        sure: 'certain' | 'usual' | 'disputed';
    })[];
    plan: ({
        do: 'dry' | 'seal' | 'block' | 'release' | 'wait' | 'test';
        what: string;
        coats: number;
        minutes: number;
        note: string;
    })[];
    releases: {
        id: string;
        fit: number;
        why: string;
    }[];
    ruinous: {
        id: string;
        why: string;
    }[];
    cautions: string[];
    warnings: {
        code: string;
        message: string;
    }[];
};

/**
 * Several cups as one pour, all of it weighed ahead but the meeting. Of m minutes of mixing, d in the chamber and p of pouring, one pair of
 * hands mixes the next cup while the last one is in the chamber, where that leaves it time (d ≥ m); two pairs mix and pour side by side.
 * A cup then follows the last after c₁ = d ≥ m ? max(d, m + p) : m + d + p, or c₂ = max(m, d, p), and from the first meeting to the
 * last drop n cups take m + d + p + (n − 1)·c minutes; where one pair mixes on meanwhile, the second follows the first after d alone.
 * Between the meeting of one cup and the first drop of the next lie m + d + c at most.
 */
export type CupsResult = {
    count: number;
    total_min: number;
    hands: number | null;
    gap_min: number;
    joins: 'wet' | 'tacky' | 'set';
    all_in_ml: number;
    slower_min: number;
    ahead: string[];
};

/** The clock of one pour. `factor` multiplies the sheet's minutes; `offset` is in natural logarithm. */
export type CureResult = {
    factor: number;
    q10: number;
    offset: number;
    pot_life_min?: {
        low: number;
        likely: number;
        high: number;
    };
    recoat_open_min?: {
        low: number;
        likely: number;
        high: number;
    };
    recoat_close_min?: {
        low: number;
        likely: number;
        high: number;
    };
    demould_min?: {
        low: number;
        likely: number;
        high: number;
    };
    service_min?: {
        low: number;
        likely: number;
        high: number;
    };
    full_cure_min?: {
        low: number;
        likely: number;
        high: number;
    };
    rests_on: number;
    doubted: number[];
    warnings: {
        code: string;
        message: string;
    }[];
};

/** When each operation starts and ends, in minutes from midnight of the first day, and how much later each alone could start. */
export type DayResult = {
    starts: Record<string, number>;
    ends: Record<string, number>;
    late_min: number | null;
    end_min: number | null;
    feasible: boolean;
    slack: Record<string, number>;
    because: string | null;
    warnings: {
        code: string;
        message: string;
    }[];
};

/** How a plaster stands: when it is dry, in hours from its first weighing's clock, what it weighs then, and what is left to lose now. */
export type DryResult = {
    state: 'wet' | 'drying' | 'dry';
    expected_dry_g: number | null;
    dry_at_h: number | null;
    dry_mass_g: number | null;
    left_pct: number | null;
    tau_h: number | null;
    warnings: {
        code: string;
        message: string;
    }[];
};

/** The causes of a bad cast, likeliest first; their shares sum to one. */
export type FaultResult = {
    causes: {
        id: string;
        name: string;
        share: number;
        because: string[];
        against: string[];
        look: string;
        next: string;
    }[];
    warnings: {
        code: string;
        message: string;
    }[];
};

/** A body at rest in water: which way is up for it, where the water stands, how deep it lies. */
export type FloatResult = {
    floats: boolean;
    up: [number, number, number] | null;
    level_mm: number;
    wet_ml: number;
    dry_ml: number;
    draught_mm: number;
    freeboard_mm: number;
    stable: boolean;
};

/** When a gang is through, what holds it up, and what one more mould would bring. Minutes from midnight of the first day. */
export type GangResult = {
    cycles: number;
    days: number;
    end_min: number | null;
    bottleneck: string;
    loads: Record<string, number>;
    pours_min: number[];
    one_more_saves_min: number | null;
};

/** The softener curve of a base, as far as sheet and pucks tell. */
export type HardenResult = {
    c: number;
    k: number;
    curve: ({
        pct_of_ab: number;
        shore: {
            scale: '00' | 'A';
            reading: number;
        };
        other: {
            scale: '00' | 'A';
            reading: number;
        };
        low: number;
        high: number;
    })[];
    pucks: ({
        pct_of_ab: number;
        shore: {
            scale: '00' | 'A';
            reading: number;
        };
        off_sd: number;
        outlier: boolean;
    })[];
    for_target: {
        pct_of_ab: number;
        pct_of_one_part: number;
        low: number;
        high: number;
    } | null;
    rests_on: number;
    warnings: {
        code: string;
        message: string;
    }[];
};

/** A run as it went: each fact that stands with the step it was told at, and what was weighed beside what was planned for it. */
export type HistoryResult = {
    steps: ({
        fact: number;
        at: number;
        kind: string;
        step: string;
        batch: number;
        code: string | null;
        planned_g: number | null;
        weighed_g: number | null;
        c: number | null;
        text: string | null;
    })[];
    sums: {
        code: string;
        planned_g: number;
        weighed_g: number;
    }[];
    more: boolean;
};

/** Casts a mould has left: whole, at 10, 50 and 90 %. */
export type LifeResult = {
    left: {
        low: number;
        likely: number;
        high: number;
    };
    chance_of_ahead: number | null;
    rests_on: number;
    advice: string;
    warnings: {
        code: string;
        message: string;
    }[];
};

/** What to weigh, in which batches, and how long there is for it. `null` where the sheet is silent. */
export type MixResult = {
    mass_g: number;
    volume_ml: number;
    sg: number;
    parts: Record<string, number>;
    batches: {
        mass_g: number;
        lines: {
            add: string;
            grams: number;
            running: number;
        }[];
    }[];
    pot_life_min: number | null;
    usable_min: number | null;
    demould_min: number | null;
    ratio_error_pct: number;
    smallest_batch_g: number;
    limit: 'vessel' | 'scale' | 'pot_life' | null;
    by_volume: {
        a_ml: number;
        b_ml: number;
    } | null;
    cups: CupsResult | null;
    warnings: {
        code: string;
        message: string;
    }[];
    working: string[];
};

/** The kinds of moulds for a piece, best first. */
export type MouldResult = {
    ranked: ({
        kind: string;
        name: string;
        score: number;
        for: string[];
        against: string[];
        parts: string[];
        chemistry: string;
        hardness: {
            low: number;
            high: number;
            why: string;
        } | null;
        rubber_ml: number;
        rubber_g: number;
        hours: number;
        cost: number;
    })[];
    schools: string[];
    margin_mm: number;
    warnings: {
        code: string;
        message: string;
    }[];
};

/** A pot of silicone paint: what to weigh, how thick it goes on wet, and how long to wait between coats. */
export type PaintResult = {
    mass_g: number;
    dry_g: number;
    coats: number;
    wet_mm: number;
    ratio: {
        silicone: number;
        pigment: number;
        solvent: number;
    };
    flash_min: number | null;
    pot_life_min: number | null;
    lines: {
        add: string;
        grams: number;
        running: number;
    }[];
    warnings: {
        code: string;
        message: string;
    }[];
};

/** The colour a photo gives, and within which ΔE00 of it the true one lies four times out of five. */
export type PhotoPatchResult = {
    lab: [number, number, number];
    srgb: string;
    within_delta_e: number;
    balance: number[];
    warnings: {
        code: string;
        message: string;
    }[];
};

/** When something that cures can be used, held against the day it is wanted by. */
export type ReadyResult = {
    ready_ms: number | null;
    full: boolean;
    wanted_on: string | null;
    late_days: number;
};

/** A series as one small pour: first the cups everything comes from, then each puck's own cup. */
export type SeriesResult = {
    cups: {
        code: string;
        name: string;
        mass_g: number;
        lines: {
            add: string;
            grams: number;
            running: number;
        }[];
    }[];
    pucks: {
        code: string;
        wanted_pct: number;
        true_pct: number;
        mass_g: number;
        lines: {
            add: string;
            grams: number;
            running: number;
        }[];
    }[];
    minutes: number;
    usable_min: number | null;
    warnings: {
        code: string;
        message: string;
    }[];
    working: string[];
};

/**
 * What so much softener costs: tear strength and elongation fall, pot life shifts, and from some load on it sweats out. The sheet of the
 * base gives the plain values, that of the softener how fast they change; both are guides, not tests.
 */
export type SofteningEffectsResult = {
    pct_of_ab: number;
    tear_n_mm: number | null;
    elongation_pct: number | null;
    pot_life_min: number | null;
    bleed: 'none' | 'begins' | 'sure';
    thinnest_mm: number | null;
    edge_n: number | null;
    warnings: {
        code: string;
        message: string;
    }[];
};

/** How long a mould takes to fill, or what gets in until the mix sets; and the narrowest sprue that serves. */
export type SpoutResult = {
    fill_min: number | null;
    filled_ml: number;
    least_diameter_mm: number | null;
    warnings: {
        code: string;
        message: string;
    }[];
};

/** All that a mesh told, with the mesh it was read from. */
export type StudyResult = Record<string, unknown>;

/** What a tinted base looks like, and what brings it nearest the target. */
export type TintResult = {
    lab: [number, number, number];
    srgb: string;
    chips: ({
        thickness_mm: number;
        backing: 'light' | 'dark';
        lab: [number, number, number];
        srgb: string;
    })[];
    hides_from_mm: number | null;
    loads: Record<string, number>;
    delta_e: number | null;
    shows_pct: number | null;
    alternatives: ({
        loads: Record<string, number>;
        lab: [number, number, number];
        srgb: string;
        delta_e: number;
        shows_pct: number | null;
    })[];
    warnings: {
        code: string;
        message: string;
    }[];
};

/** What to add to a mis-weighed cup so that every proportion holds again. */
export type TopupResult = {
    needed: boolean;
    k: number;
    planned: Record<string, number>;
    lines: {
        add: string;
        grams: number;
        running: number;
    }[];
    extra_g: number;
    fits: boolean;
    ratio_error_if_ignored_pct: number;
    warnings: {
        code: string;
        message: string;
    }[];
};

/** What a trial says, plainly, and how sure it is. */
export type VerdictResult = {
    word: string;
    best: string | null;
    against: {
        variant: string;
        mean: number;
        beats: number;
        chance: number;
        corrected: number;
    }[];
    says: string;
    pairs: {
        one: string;
        other: string;
        one_mean: number;
        other_mean: number;
        beats: number;
        chance: number;
        corrected: number;
        left_alone: boolean;
    }[];
};

/** How much rubber to mix, in ml, between which bounds, and why. */
export type VolumeResult = {
    low_ml: number;
    likely_ml: number;
    high_ml: number;
    advice: string;
    working: string[];
    reconcile: {
        used_ml: number;
        part_ml: number | null;
        correction_pct: number;
    } | null;
    warnings: {
        code: string;
        message: string;
    }[];
};

/** The next thing of a series to go onto the scale, and what the display must then read. */
export type WeighingResult = {
    vessel: string;
    line: number;
    code: string;
    add: string;
    grams: number;
    before: number;
    running: number;
    from: number;
    to: number;
    opens: boolean;
    meets: boolean;
    because: string | null;
};

/** How one weigh-up is worked, step by step, in the words of its process. */
export type WorkedResult = {
    id: string;
    name: string;
    premix: {
        title: string;
        points: string[];
        done: string | null;
    } | null;
    mix: {
        title: string;
        points: string[];
        done: string | null;
    };
    fill: {
        title: string;
        points: string[];
        done: string | null;
    };
    wait: {
        title: string;
        points: string[];
        done: string | null;
    };
    starts: string;
    since: string;
    met: string;
    turn_s: number | null;
};

/** The sheet of something stirred in, to read. */
export type AdditiveSheetView = {
    code: string;
    name: string;
    role: string;
    summary: string;
    colour: string;
    families: string[];
    sg: number;
    basis: string;
    into: string;
    max: number;
    softening: {
        pct_of_ab: number;
        stiffness: number;
        tear: number;
        stretch: number;
        pot_life: number;
    }[];
    bleed_from_pct: number | null;
    flash_min: number | null;
    paint_only: boolean;
    cautions: {
        title: string;
        text: string;
    }[];
    measured: string[];
    typical: string[];
    left_open: string[];
    notes: string;
};

/**
 * What a tablet needs to walk a run on where the bench computer does not answer: its steps to the end, what every cup holds and still
 * wants, what follows an over-pour, and how long after A met B each window is, in the room as it is now.
 */
export type AheadView = {
    last_fact_id: number;
    began_ms: number;
    tolerance_pct: number;
    second_cup_g: number;
    laid: boolean;
    heated: boolean;
    names: Record<string, string>;
    cautions: Record<string, {
        id: string;
        title: string;
        text: string;
    }[]>;
    steps: {
        kind: string;
        batch: number;
        left: number;
    }[];
    cups: ({
        batch: number;
        planned: Record<string, number>;
        poured: Record<string, number>;
        weighings: number;
        display_g: number;
        k: number;
        met_ms: number | null;
        queue: {
            add: string;
            grams: number;
            over: {
                from_g: number;
                to_g: number;
                over: string;
                lines: string[];
                in: Record<string, number>;
                least: number;
            }[];
        }[];
    })[];
    after_met: {
        pot_ends_ms: number | null;
        open_low_ms: number | null;
        open_likely_ms: number | null;
        open_high_ms: number | null;
        service_ms: number | null;
    };
};

/** Formulas whose softness can be aimed at: what is written down, as hard as its softener and the pucks make it. */
export type AsSoftView = {
    formulas: {
        id: number;
        name: string;
        shore: string;
        scale: string;
        reading: number;
    }[];
    more: boolean;
};

/** The sheet of a base to read, with its times as they are in the room now. */
export type BaseSheetView = {
    code: string;
    name: string;
    family: string;
    summary: string;
    shore: string | null;
    colour: string;
    ratio: string;
    part_names: {
        a: string;
        b?: string;
    };
    sg: {
        a: number | null;
        b: number | null;
        mixed: number | null;
    };
    times: Record<string, number>;
    here: Record<string, {
        low: number;
        likely: number;
        high: number;
    }>;
    rests_on: number;
    of_g: number | null;
    ref_c: number;
    by_volume_ok: boolean;
    vacuum: string;
    brushed: boolean;
    moisture: boolean;
    skin_safe: boolean;
    facts: Record<string, number | null>;
    limits: {
        role: string;
        max: number;
        basis: string;
        into: string;
    }[];
    cautions: {
        title: string;
        text: string;
    }[];
    measured: string[];
    typical: string[];
    left_open: string[];
    notes: string;
};

/** The bench: what needs hands now, next and later, each with the one number that matters; and what waits to be read. */
export type BenchView = {
    items: ({
        id: string;
        group: string;
        title: string;
        base: string;
        what: string;
        number: number | null;
        unit: string | null;
        label: string;
        from_ms: number | null;
        to_ms: number | null;
        href: string;
        colour: string;
        action: string;
    })[];
    small: {
        what: string;
        href: string;
        count: number;
    }[];
    ready: ({
        title: string;
        href: string;
        colour: string;
        ready_ms: number;
        full: boolean;
        wanted_on: string | null;
        late_days: number;
    })[];
};

/**
 * What a tablet follows a build by where the bench computer does not answer: what each operation waits for, and for how long, in the room
 * as it is now.
 */
export type BuildAheadView = {
    last_fact_id: number;
    began_ms: number;
    operations: ({
        id: string;
        waits: ({
            op: string;
            over: boolean;
            from_ms: number;
            until_ms: number | null;
        })[];
    })[];
};

/** A build as its screen shows it: the impression in section, its operations with their windows, and what to do now. */
export type BuildView = {
    id: number;
    job_id: number;
    job: string;
    link: string;
    link_id: number;
    makes: string;
    name: string;
    kind: string;
    now_ms: number;
    edition: number;
    begun: boolean;
    through: boolean;
    wanted_on: string | null;
    copies: ({
        id: number;
        copy: number;
        wanted_on: string | null;
        state: string;
    })[];
    grade: {
        grade: string;
        faults: string[];
        pieces: number;
        note: string;
    } | null;
    given_up: string | null;
    main_pour: number | null;
    next: string | null;
    operations: ({
        id: string;
        kind: string;
        name: string;
        how: string;
        minutes: number;
        uses: string[];
        state: string;
        started_ms: number | null;
        ended_ms: number | null;
        opens_ms: number | null;
        shuts_ms: number | null;
        shut_by: string | null;
        waits_for: string[];
        after: ({
            op: string;
            from: number | string;
            until: number | string | null;
        })[];
        mixes: boolean;
        base: string | null;
        base_name: string | null;
        mix: Record<string, unknown> | null;
        thickness_mm: number | null;
        volume_ml: number | null;
        grams: number | null;
        pour_id: number | null;
        pour_state: string | null;
        touches: {
            at_ms: number;
            finger: string;
            left_out: boolean;
        }[];
        dry: DrynessView | null;
        said: string | null;
        by: string | null;
        acts: string[];
        weighed: boolean;
        own_cautions: string[];
        layers: {
            verdict: string;
            below: string;
            words: string;
            why: string;
            separates: boolean;
        }[];
        care: ({
            key: string;
            link: number;
            edition: number;
            act: string;
            with: string;
            what: string | null;
            coats: number;
            minutes: number;
            chosen: string | null;
            choices: {
                id: string;
                name: string;
            }[];
            blocks: boolean;
        })[];
        ahead_ms: number | null;
        late_on: string | null;
        save_coat_mm: number | null;
        save: string | null;
        wanted_ms: number | null;
        cautions: {
            title: string;
            text: string;
        }[];
    })[];
    section: {
        id: string;
        kind: string;
        name: string;
        thickness_mm: number;
        colour: string;
        state: string;
        jacket: boolean;
        half: boolean;
    }[];
    inside: string[];
    laid_mm: number;
    wall_mm: number;
    doubts: {
        code: string;
        message: string;
    }[];
    notes: {
        at_ms: number;
        text: string;
    }[];
    notes_before: number;
    take_back: {
        of: number;
        kind: string;
        about: string | null;
        name: string | null;
    } | null;
    faults: {
        id: string;
        name: string;
    }[];
    last_fact_id: number;
};

/** A batch card as a form: what has been told of it already stands there, what has not is asked. */
export type CardView = {
    began_ms: number;
    gear_on: boolean;
    too_many: boolean;
    stops: boolean;
    cups: ({
        batch: number;
        grams: number;
        meets: boolean;
        met_ms: number | null;
        filled_ms: number | null;
        lines: ({
            label: string;
            grams: number;
            running: number;
            read: number | null;
        })[];
    })[];
};

/** A colour answered: the recipe in per cent and grams, its chips, its ladder, and what thickness does to it. */
export type ColourAnswerView = {
    tint: TintResult;
    target: {
        lab: [number, number, number];
        srgb: string;
    } | null;
    max_load_pct: number;
    recipe: ({
        code: string;
        name: string;
        colour: string;
        pct: number;
        grams: number | null;
    })[];
    alternatives: ({
        recipe: ({
            code: string;
            name: string;
            colour: string;
            pct: number;
            grams: number | null;
        })[];
        srgb: string;
        delta_e: number;
        shows_pct: number | null;
    })[];
    ladder: {
        share_pct: number;
        light: string;
        dark: string;
        here: string;
    }[];
    depth: string;
    cup: {
        mass_g: number;
        cups: number;
    } | null;
    batch_wrong: string | null;
};

/**
 * What the colour screen can be asked: bases that take pigment, what is known of them and of each pigment, colours wanted before, and the
 * sheets that are being planned.
 */
export type ColourView = {
    base: string;
    bases: {
        code: string;
        name: string;
    }[];
    max_load_pct: number;
    pigment_into: string;
    softeners: {
        code: string;
        name: string;
        basis: string;
        into: string;
    }[];
    pigments: ({
        code: string;
        name: string;
        colour: string;
        drawdowns: number;
        of: string | null;
    })[];
    targets: ({
        id: number;
        edition: number;
        name: string;
        lab: [number, number, number];
        shows_pct: number | null;
        at_mm: number | null;
    })[];
    drafts: DraftView[];
};

/** The contact board: every fresh material on every surface, each with its verdict, and what the shop has tested. */
export type ContactBoardView = {
    fresh: {
        id: string;
        name: string;
        groups: string[];
    }[];
    surfaces: ({
        id: string;
        name: string;
        groups: string[];
        bears_c: number | null;
    })[];
    cells: Record<string, Record<string, {
        verdict: string;
        in_short: string;
        tested: boolean | null;
    }>>;
    patches: ({
        id: number;
        fresh: string;
        surface: string;
        base: string | null;
        sealed_with: string | null;
        release: string | null;
        place: string;
        put_on_ms: number;
        due_ms: number;
        passed: boolean | null;
        note: string;
        photo: boolean;
        edition: number;
    })[];
    releases: Record<string, string>;
    sealers: Record<string, string>;
    bases: {
        code: string;
        name: string;
        family: string;
    }[];
    own_rules: {
        id: number;
        name: string;
        text: string;
    }[];
};

/** What a price is counted from, and what it comes to. */
export type CostView = {
    of: string;
    id: number;
    name: string;
    href: string;
    asked: {
        currency: string;
        casts: number;
        reject_pct: number;
        materials: ({
            code: string;
            name: string;
            used_g: number;
            waste_pct: number;
            on_hand_g: number;
            kit: {
                price: string;
                mass_g: number | null;
            };
            from: string | null;
        })[];
        moulds: ({
            id: number | null;
            name: string;
            cost: string;
            life_casts: number;
        })[];
        labour: {
            what: string;
            min: number;
            hour_rate: string;
        }[];
        other: {
            name: string;
            price: string;
        }[];
    };
    answer: {
        lines: {
            name: string;
            cost: string;
            kits: number;
            cash: string;
        }[];
        mould: string;
        labour: string;
        other: string;
        total: string;
        per_piece: string;
        cash: string;
        shares: {
            materials: number;
            mould: number;
            labour: number;
            other: number;
        };
        break_even: {
            pieces: number | null;
            cheaper_below: string;
            cheaper_above: string;
            fixed: string;
            each: string;
        } | null;
        currency: string;
        warnings: {
            code: string;
            message: string;
        }[];
        numbers?: {
            casts: number;
            per_piece: string;
            total: string;
            cash: string;
            used_g: number;
            min: number;
            moulds: number;
            kits: number;
            fixed: string;
            running: string;
        }[];
    } | null;
    others: {
        id: number;
        name: string;
    }[];
};

/** The day: hands, chamber and pot as lanes, what can still be started now and finished today, what must wait and why. */
export type DayView = {
    now_ms: number;
    from_ms: number;
    to_ms: number;
    works_from_ms: number;
    works_to_ms: number;
    hands: number;
    lanes: {
        id: string;
        name: string;
    }[];
    items: ({
        id: string;
        build_id: number;
        step: string;
        title: string;
        name: string;
        href: string;
        state: string;
        lanes: string[];
        from_ms: number;
        to_ms: number;
        colour: string;
        moves: boolean;
        slack_min: number;
        opens_ms: number | null;
        shuts_ms: number | null;
        missed: boolean;
    })[];
    because: string | null;
    moved: {
        id: string;
        title: string;
        name: string;
        from_ms: number;
        to_ms: number;
    }[];
    startable: {
        title: string;
        href: string;
        last_ms: number;
        done_ms: number;
    }[];
    waits: {
        title: string;
        href: string;
        done_ms: number;
        why: string;
    }[];
    late: string[];
    anchor: {
        on_ms: number;
        seal: string;
    } | null;
};

/** What was decided, the newest first: who, what of which thing, and what was said of it. */
export type DecisionsView = {
    rows: ({
        id: number;
        at_ms: number;
        by: string | null;
        did: string | string;
        of: string | null;
        said: string;
    })[];
    earlier: number | null;
    now_ms: number;
};

/** A sheet that is being planned: an answer can be weighed for it and written into it. */
export type DraftView = {
    id: number;
    base: string;
    name: string;
};

/** The swatch drawer. */
export type DrawerView = {
    swatches: ({
        id: number;
        name: string;
        base: string | string;
        formula: string;
        formula_href: string;
        inside: string;
        hardness: {
            scale: '00' | 'A';
            reading: number;
            written: string;
            spread: number;
            count: number;
        } | null;
        white: string | null;
        black: string | null;
        lab: [number, number, number] | null;
        within: number | null;
        translucency: {
            words: string;
            ratio: number;
            delta_e: number;
        } | null;
        delta_e: number | null;
        points: number | null;
        edition: number;
        thickness_mm: number | null;
        poured_ms: number;
        demoulded_ms: number | null;
        note: string;
        photo: boolean;
        readings: ({
            id: number;
            kind: string;
            at_ms: number;
            after_min: number | null;
            text: string;
            source: string;
            left_out: boolean;
        })[];
        questions: {
            code: string;
            message: string;
        }[];
    })[];
    total: number;
    pages: {
        page: number;
        pages: number;
        total: number;
    };
    filter: {
        q: string;
        base: string;
        hardness: string;
        colour: string;
    };
    wrong: string | null;
    cards: {
        white: [number, number, number];
        black: [number, number, number];
    };
    bases: Record<string, string>;
    targets: {
        id: number;
        edition: number;
        name: string;
        lab: [number, number, number];
    }[];
};

/** What the weighings of a plaster say, on a screen. */
export type DrynessView = {
    state: string | null;
    at_ms: number | null;
    left_pct: number | null;
    dry_mass_g: number | null;
    expected_g: number | null;
    says: string[];
    weighings: {
        at_ms: number;
        mass_g: number;
    }[];
};

/** What goes wrong again and again, what this shop has found to be behind it, and what it tries. */
export type FaultsView = {
    fault: string | null;
    faults: Record<string, string>;
    says: string;
    bad: number;
    all: number;
    looked: number;
    compared: number;
    found: ({
        what: string;
        value: string;
        href: string | null;
        bad: number;
        all: number;
        elsewhere_bad: number;
        elsewhere_all: number;
        chance: number;
        corrected: number;
        sure: boolean;
        note: string | null;
    })[];
    causes: {
        id: string;
        name: string;
        times: number;
        look: string;
        next: string;
    }[];
    trials: {
        id: number;
        name: string;
        about: string;
        at_ms: number;
        ended: boolean;
        variants: number;
    }[];
    bases: Record<string, string>;
    surfaces: Record<string, string>;
    releases: Record<string, string>;
};

/** The first hour of a shop: one step of it, and the sheets there are to tick. */
export type FirstView = {
    step: string;
    shelf: {
        title: string;
        sheets: {
            code: string;
            name: string;
            summary: string;
            here: boolean;
        }[];
    }[];
};

/** A formula worked out: grams and both bases, how hard it will be, what to mind. */
export type FormulaAnswerView = {
    additives: {
        pct_of_ab: number;
        pct_of_one_part: number;
        grams: number;
    }[];
    mix: MixResult;
    hardness: string | null;
    cost: SofteningEffectsResult | null;
    warnings: {
        code: string;
        message: string;
    }[];
    cautions: {
        title: string;
        text: string;
    }[];
    gear: string[];
};

/** One formula: its versions, what came of each, one beside another, and where it can be poured. */
export type FormulaView = {
    id: number;
    edition: number;
    name: string;
    kind: 'mix' | 'paint' | 'trial';
    retired: boolean;
    chosen: number;
    other: number | null;
    versions: ({
        id: number;
        number: number;
        recipe: {
            base: string;
            additives: {
                code: string;
                amount: number;
                basis: string;
                into: string;
            }[];
        };
        parent: {
            called: string;
            href: string;
        } | null;
        children: {
            called: string;
            href: string;
        }[];
        note: string;
        photo: boolean;
        kept_ms: number;
        swatches: number;
        pours_in_all: number;
        pours: ({
            id: number;
            name: string;
            grams: number | null;
            grade: string | null;
            at_ms: number | null;
            href: string;
        })[];
    })[];
    versions_in_all: number;
    comparison: ComparisonResult | null;
    last_batch: {
        pour_id: number;
        at_ms: number;
        cups: number;
        lines: {
            add: string;
            grams: number;
        }[];
    } | null;
    links: {
        id: number;
        name: string;
        same_base: boolean;
        begun: boolean;
    }[];
    shelf: ShelfView;
};

/** The shop's formulas, each with what its newest version says. */
export type FormulasView = {
    formulas: ({
        id: number;
        name: string;
        kind: string;
        versions: number;
        base: string;
        colour: string;
        inside: {
            name: string;
            colour: string;
            pct_of_ab: number;
        }[];
        hardness: string | null;
        pours: number;
        last_ms: number | null;
        last_grade: string | null;
        retired: boolean;
    })[];
    pages: {
        page: number;
        pages: number;
        total: number;
    };
    filter: {
        kind: string;
        q: string;
    };
    shelf: ShelfView;
};

/** What every screen's frame needs: whose bench, which units, how warm, what is live today. */
export type FrameView = {
    workshop: {
        edition: number;
        name: string;
        named: boolean;
        units: string;
        room_c: number;
        room_source: string;
        muted: boolean;
        day_starts_min: number;
        day_ends_min: number;
        time_zone: string | null;
        scale_division_g: number;
        scale_capacity_g: number;
        currency: string | null;
        cups: ({
            ml: number;
            tare_g: number | null;
        })[];
        vacuum: boolean | null;
        hands: number;
        schools: Record<string, string>;
    };
    changes: number;
    hands: {
        name: string;
        role: string;
        colour: string;
    } | null;
    tablet: string | null;
    unused_min: number;
    made_up: boolean;
    thermometer: boolean;
    scale: boolean;
    probe: boolean;
    labels: boolean;
    simulated: boolean;
    trouble: string | null;
    practice: {
        id: number;
        name: string;
        rate: number;
        calls: {
            at_ms: number;
            what: string;
            title: string;
            href: string;
        }[];
    } | null;
    strip: {
        now_ms: number;
        lozenges: {
            id: string;
            href: string;
            job: string;
            title: string;
            state: string;
            hands: {
                from_ms: number;
                to_ms: number;
            }[];
            waits: {
                from_ms: number;
                to_ms: number;
            }[];
            windows: {
                kind: string;
                from_ms: number;
                to_ms: number;
            }[];
        }[];
        calls: ({
            id: string;
            at_ms: number;
            what: string;
            event: string | null;
            event_ms: number | null;
            title: string;
            href: string;
        })[];
        startable: {
            pour_id: number;
            title: string;
            open_ms: number;
        }[];
        plans: ({
            id: string;
            href: string;
            job: string;
            title: string;
            name: string;
            from_ms: number;
            to_ms: number;
            moves: boolean;
            live: boolean;
            opens_ms: number | null;
            shuts_ms: number | null;
        })[];
    };
};

/**
 * The softener curve drawn, with the shop's pucks on it and what a target asks for. Heights (`y`) are natural logarithms of the modulus, on
 * which A and 00 are one scale.
 */
export type HardnessAnswerView = {
    base: string;
    softener: string;
    limit_pct: number;
    room_c: number;
    target: {
        scale: '00' | 'A';
        reading: number;
        written: string;
        y: number;
    };
    harden: HardenResult;
    line: {
        pct: number;
        y: number;
        low_y: number;
        high_y: number;
        written: string;
    }[];
    pucks: {
        id: number;
        name: string;
        pct: number;
        y: number;
        written: string;
        readings: number;
        spread: number;
        off_sd: number;
        outlier: boolean;
    }[];
    stops: ({
        scale: '00' | 'A';
        reading: number;
        y: number;
    })[];
    cost: SofteningEffectsResult | null;
    mix: MixResult | null;
    mix_wrong: string | null;
    notes: ({
        from: string | string;
        text: string;
        href: string;
    })[];
};

/** What the hardness screen can be asked: bases with their softeners, and the sheets that are being planned. */
export type HardnessView = {
    bases: {
        code: string;
        name: string;
        shore: string;
        pucks: number;
        softeners: {
            code: string;
            name: string;
            into: string;
        }[];
    }[];
    none_here: boolean;
    drafts: DraftView[];
};

/** How a pour went: step by step with its time, the room, and who; planned beside real. */
export type HistoryView = {
    steps: ({
        id: number;
        at_ms: number;
        kind: string;
        step: string;
        batch: number;
        name: string | null;
        planned_g: number | null;
        weighed_g: number | null;
        c: number | null;
        room_c: number;
        person: string | null;
        text: string | null;
    })[];
    sums: {
        name: string;
        planned_g: number;
        weighed_g: number;
    }[];
    times: ({
        what: string;
        planned_min: number | null;
        real_min: number | null;
    })[];
    more: boolean;
    met: string;
};

/** How far a file has been taken in. */
export type ImportView = {
    id: number;
    state: 'waiting' | 'running' | 'done' | 'refused' | 'cancelled';
    done: number;
    total: number;
    says: string | string;
    undo: string | null;
};

/** A job: its piece and its chain, each link with its material and where its pours stand. */
export type JobView = {
    id: number;
    edition: number;
    name: string;
    purpose: string;
    for_whom: string;
    quantity: number;
    due_on: string | null;
    skin: boolean;
    uses: {
        id: string;
        name: string;
        ask: string;
    }[];
    model: {
        id: number;
        name: string;
    } | null;
    cast: number;
    pieces_a_pour: number;
    lives: string | null;
    moulds: ({
        id: number;
        code: string;
        name: string;
        casts: number;
        likely: number | null;
        retired: boolean;
    })[];
    ready: {
        link_id: number;
        pour_id: number;
        name: string;
        ready_ms: number;
        full: boolean;
        late_days: number;
    }[];
    chain: ({
        id: number;
        edition: number;
        kind: string;
        positive: boolean;
        name: string;
        material: string;
        material_code: string | null;
        shore: string | null;
        colour: string;
        note: string;
        status: string | string;
        settled: boolean;
        pourable: boolean;
        had: boolean;
        knows_nothing: boolean;
        not_for_skin: boolean;
        contacts: ({
            key: string;
            with: string;
            surface: string;
            surface_name: string;
            fresh: string;
            blocks: boolean;
            overruled: string | null;
            overruled_by: string | null;
            lapsed: string | null;
            words: string | null;
            certain: boolean;
            proved_dry_ms: number | null;
            holds_water: boolean;
            post_cured: boolean;
            release: string | null;
            sealed_with: string | null;
            sealed_ms: number | null;
            seal: {
                name: string;
                coats: number;
                minutes: number;
                how: string;
            } | null;
            damp: boolean;
            latex_touched: boolean;
            cured_ms: number | null;
            opened_ms: number | null;
            solvent_ms: number | null;
            result: ContactResult;
        })[];
        surface: string | null;
        role: string;
        from_id: number | null;
        wall: string | null;
        bed: string | null;
        builds: ({
            id: number;
            name: string;
            began_ms: number | null;
            ended: boolean;
            copy: number | null;
            wanted_on: string | null;
        })[];
        gone_ms: number | null;
        pours_in_all: number;
        pours: ({
            id: number;
            state: string;
            operation: string;
            href: string;
            grams: number | null;
            grade: string | null;
            at_ms: number | null;
            planned_ml: number | null;
        })[];
    })[];
};

/** A page of the jobs, each with its chain in small. */
export type JobsView = {
    jobs: ({
        id: number;
        name: string;
        purpose: string;
        quantity: number;
        due_on: string | null;
        cast: number;
        chain: ({
            positive: boolean;
            name: string;
            colour: string;
            status: string | string;
            stopped: boolean;
        })[];
    })[];
    pages: {
        page: number;
        pages: number;
        total: number;
    };
    q: string;
    away: boolean;
    put_away: number;
};

/** What is kept beside a run: the moulds it goes into, the lots it takes from, what was found when it came out badly. */
export type KeptView = {
    in_a_mould: boolean;
    moulds: number[];
    choices: ({
        id: number;
        code: string;
        name: string;
        job: string | null;
        casts: number;
        likely: number;
        filled: {
            pour: number;
            job: string;
            link: string;
        } | null;
        asks: string[];
    })[];
    link_id: number;
    lots: ({
        code: string;
        name: string;
        from: number | null;
        lots: LotLineView[];
    })[];
    draws: ({
        lot_id: number | null;
        label: string | null;
        name: string;
        part: string;
        grams: number;
    })[];
    short_g: number;
    bad: boolean;
    faults: number;
    diagnosis: {
        cause: string;
        name: string;
    } | null;
    waiting: {
        name: string;
        ml: number;
    }[];
    pieces: ({
        number: number;
        outcome: string;
        fault: string | null;
        mould: string | null;
        mould_id: number | null;
    })[];
    causes: Record<string, string>;
};

/** What stands on the labels of swatches. */
export type LabelsView = {
    labels: ({
        id: number;
        name: string;
        base: string | string;
        formula: string;
        inside: string[];
        poured_ms: number;
        thickness_mm: number | null;
        href: string;
    })[];
};

/** The log: every graded pour, what was really used, its faults and their usual cause. */
export type LogView = {
    rows: ({
        id: number;
        at_ms: number;
        job_id: number;
        job: string;
        impression: string;
        kind: string;
        base: string;
        formula: string;
        formula_href: string | null;
        planned_g: number | null;
        used_g: number | null;
        pieces: number;
        good: number;
        grade: string;
        faults: {
            name: string;
            cause: string;
            next: string;
        }[];
        note: string;
        colour: string;
        cause: string | null;
        by: string | null;
    })[];
    pages: {
        page: number;
        pages: number;
        total: number;
    };
    more: boolean;
    spread: Record<string, number>;
    filter: {
        q: string;
        grade: string;
        fault: string;
        base: string;
    };
    faults: Record<string, string>;
    bases: Record<string, string>;
};

/** A lot as lists show it. */
export type LotLineView = {
    id: number;
    label: string;
    code: string;
    got_on: string;
    opened_on: string | null;
    best_before: string | null;
    past: boolean;
    days_open: number | null;
    share: number;
    price: string | null;
    note: string | null;
    trouble: string | null;
    ended: boolean;
    remelts: number | null;
    bad: string | null;
    parts: ({
        part: string;
        maker_number: string | null;
        got_g: number;
        left_g: number;
    })[];
};

/** One lot: what is left, where it went, and what was told of it. */
export type LotView = {
    lot: LotLineView;
    today: string;
    name: string;
    colour: string | null;
    part_names: Record<string, string>;
    take_back: number | null;
    went: ({
        pour_id: number;
        at_ms: number;
        job: string;
        link: string;
        href: string;
        parts: Record<string, number>;
        state: string;
        grade: string | null;
        pieces: ({
            outcome: string;
            mould: string | null;
            mould_id: number | null;
            n: number;
        })[];
    })[];
    pages: {
        page: number;
        pages: number;
        total: number;
    };
    facts: ({
        id: number;
        kind: string;
        at_ms: number;
        payload: Record<string, unknown>;
        by: string | null;
    })[];
};

/** A model of a piece, as its screen has it at the top. */
export type ModelFileView = {
    id: number;
    name: string;
    format: string;
    mb: number;
    unit: string | null;
    sides: Record<string, string>;
    jobs: {
        id: number;
        name: string;
    }[];
    at_ms: number;
};

/** The kinds of moulds for a piece in their order, and what that order rests on. */
export type MouldAnswerView = {
    ranked: ({
        kind: string;
        name: string;
        for: string[];
        against: string[];
        parts: string[];
        chemistry: string;
        hardness: {
            low: number;
            high: number;
            why: string;
        } | null;
        rubber_g: number;
        hours: number;
        cost: number;
        decides: string | null;
        first_if: string[];
        campaign: {
            moulds: number;
            chance: number;
            one_more: number;
            remake_after: number;
        };
        rubbers: {
            code: string;
            name: string;
            shore: string;
            casts: number;
            moulds: number;
        }[];
    })[];
    paid: string[];
    schools: string[];
    margin_mm: number;
    warnings: {
        code: string;
        message: string;
    }[];
};

/** One mould: what it is, where it comes from, what was cast in it and how that came out, what it wants, how long it will do. */
export type MouldPageView = {
    id: number;
    code: string;
    name: string;
    job: string | null;
    job_id: number | null;
    made_ms: number;
    place: string | null;
    photo: boolean;
    note: string | null;
    parts: ({
        name: string;
        role: string;
        pour_id: number | null;
        material: string | null;
        colour: string | null;
    })[];
    material: string | null;
    casting: string | null;
    casting_code: string | null;
    from: {
        id: number;
        name: string;
        kind: string;
        gone_ms: number | null;
    } | null;
    remade_of: {
        id: number;
        name: string;
    } | null;
    remade_as: {
        id: number;
        name: string;
    } | null;
    condition: string | null;
    marks: string[];
    care: Record<string, {
        at_ms: number;
        casts_since: number;
    }>;
    casts: number;
    tally: Record<string, number>;
    life: {
        left: {
            low: number;
            likely: number;
            high: number;
        };
        chance_of_ahead: number | null;
        rests_on: number;
        advice: string;
        warnings: {
            code: string;
            message: string;
        }[];
    } | null;
    ahead: number | null;
    longer: string;
    usual: number;
    wants: ({
        id: string;
        act: string | null;
        text: string;
        why: string;
        certain: boolean;
    })[];
    castings: ({
        pour_id: number;
        at_ms: number;
        job: string;
        link: string;
        base: string;
        released: boolean | null;
        release: string | null;
        good: number;
        usable: number;
        reject: number;
        faults: string[];
        grade: string;
    })[];
    facts: ({
        id: number;
        kind: string;
        at_ms: number;
        payload: Record<string, unknown>;
        by: string | null;
    })[];
    take_back: number | null;
    filled: {
        pour: number;
        job: string;
        link: string;
    } | null;
    cost: string | null;
    worth: string | null;
    retired_ms: number | null;
    retired_why: string | null;
    dry: DrynessView | null;
};

/**
 * What the clock of a base rests on, one by one: whether each counts, is doubted because it is far from all the rest, or was left out by
 * hand.
 */
export type ObservationsView = {
    base: string;
    name: string;
    rests_on: number;
    observations: ({
        of: string;
        id: number;
        key: string | null;
        kind: string;
        at_ms: number | null;
        minutes: number;
        room_c: number;
        low_min: number | null;
        high_min: number | null;
        pour_id: number | null;
        job: string;
        link: string;
        person: string | null;
        sure: boolean;
        left_out: boolean;
        counts: boolean;
    })[];
    more: number;
};

/** A pot of paint, and whether it holds on cured silicone. */
export type PaintAnswerView = {
    pot: PaintResult;
    holds: ContactResult;
};

/** Who works here and who did, how much each has told, and the tablets that stand at the bench. */
export type PeopleView = {
    people: ({
        id: string;
        name: string;
        role: string;
        colour: string;
        passphrase: boolean;
        pin: boolean;
        locked: boolean;
        left_ms: number | null;
        forgotten: boolean;
        told: number;
    })[];
    tablets: {
        id: number;
        name: string;
        since_ms: number;
        this: boolean;
    }[];
    programs: ({
        id: number;
        name: string;
        for: string;
        of: string;
        used_ms: number | null;
    })[];
    me: string | null;
    unused_min: number;
    now_ms: number;
};

/** What a job already says of its piece, for the question how it is made. */
export type PlanItView = {
    job: {
        id: number;
        edition: number;
        name: string;
        quantity: number;
        skin: boolean;
        due_on: string | null;
    };
    studied: {
        size_mm: [number, number, number];
        volume_ml: number;
        area_mm2: number;
        undercut_depth_mm: number;
        stretch_pct: number | null;
        name: string;
        model: number;
    } | null;
    original: string;
    cast: string | null;
    family: string;
    surfaces: Record<string, string>;
    families: Record<string, string>;
    bases: {
        code: string;
        name: string;
        family: string;
        mould: boolean;
    }[];
    kinds: Record<string, string>;
    vacuum: boolean;
    priced: boolean;
};

/** What a pour sheet needs to be filled in: itself as typed, the shelf, earlier formulas, what earlier pours taught. */
export type PourSheetView = {
    id: number;
    edition: number;
    build: {
        id: number;
        name: string;
        coat: {
            op: string;
            name: string;
        } | null;
        follows: string[];
        by_hand: string[];
    } | null;
    job_id: number;
    job: string;
    impression: string;
    kind: string;
    sheet: Record<string, unknown>;
    shelf: ShelfView;
    formulas: {
        id: number;
        name: string;
        number: number;
        recipe: {
            base: string;
            additives: {
                code: string;
                amount: number;
                basis: string;
                into: string;
            }[];
        };
    }[];
    learnt: {
        pct: number;
        pours: number;
    } | null;
    took: {
        grams: number;
        pours: number;
    } | null;
    studied: {
        model: number;
        name: string;
        volume_ml: number;
        area_mm2: number;
        size_mm: [number, number, number];
        box_mm: [number, number, number];
        undercut_depth_mm: number;
        stretch_pct: number | null;
    } | null;
    scale: {
        division_g: number;
        capacity_g: number;
    };
    stands: {
        cup: number;
        name: string;
        grams: number;
    }[];
};

/** The bench of a practice as one sees it beside the screen: what is in the hand, what happens, what one can do, and how its time runs. */
export type PracticeBenchView = {
    id: number;
    rate: number;
    now_ms: number;
    next_ms: number | null;
    lid: string | null;
    calling_min: number | null;
    said: {
        at_ms: number;
        code: string;
        text: string;
    }[];
    acts: string[];
    weighs: boolean;
    idle: boolean;
};

/**
 * What there is to practise, what whoever looks has practised, what is sure and what comes next; and for an owner, how the others come on.
 */
export type PracticeView = {
    scenarios: ({
        id: string;
        name: string;
        about: string;
        level: number;
        teaches: string[];
        build: boolean;
        own: number | null;
        tried: number;
        last: string | null;
    })[];
    next: string[];
    going: {
        id: number;
        name: string;
        place: string;
    } | null;
    path: ({
        skill: string;
        name: string;
        stands: string;
        due_ms: number | null;
    })[];
    tries: {
        id: number;
        name: string;
        at_ms: number;
        would: string;
        grams: number;
        money: string;
    }[];
    people: ({
        name: string;
        colour: string;
        sure: string[];
        shaky: string[];
        tries: number;
        last_ms: number | null;
    })[] | null;
};

/** What waits for the label printer, what stands in its way, and what came out last. */
export type PrintQueueView = {
    roll: {
        w_mm: number;
        h_mm: number;
        dots_mm: number;
    };
    at_a_press: number;
    waits: number;
    labels: ({
        id: number;
        what: string;
        state: string;
        why: string | null;
        asked_ms: number;
    })[];
    last: {
        id: number;
        what: string;
        printed_ms: number;
    }[];
};

/** Which way a job took, what that promised, and, as soon as pieces are counted, what came. */
export type PromiseView = {
    taken: {
        id: number;
        kind: string | string;
        rubber: string | null;
        moulds: number;
        taken_ms: number;
        undoable: boolean;
        promised: {
            per_piece: string;
            done_on: string;
            hands_min: number;
            good: number;
            count: number;
            currency: string;
        };
        came: {
            per_piece: string | null;
            done_on: string | null;
            hands_min: number | null;
            good: number;
            pieces: number;
            whole: boolean;
        } | null;
    } | null;
};

/** The rack: the moulds of the shop, that which is to be re-made first standing first. */
export type RackView = {
    rows: ({
        id: number;
        code: string;
        name: string;
        job: string | null;
        job_id: number | null;
        material: string | null;
        colour: string | null;
        casting: string | null;
        casts: number;
        left: {
            low: number;
            likely: number;
            high: number;
        } | null;
        condition: string | null;
        marks: string[];
        place: string | null;
        photo: boolean;
        cast_ms: number | null;
        filled: {
            pour: number;
            job: string;
            link: string;
        } | null;
        retired_ms: number | null;
        retired_why: string | null;
    })[];
    most: number;
    homeless: number;
    release_school: string;
    bases: Record<string, string>;
    surfaces: Record<string, string>;
    filter: {
        q: string;
        show: string;
    };
    pages: {
        page: number;
        pages: number;
        total: number;
    };
};

/** What a bad kit went into, line by line: every pour with why it is on the list, its pieces, and who has them. */
export type RecallView = {
    lot_id: number;
    label: string;
    name: string;
    recalled_ms: number | null;
    why: string;
    pours: ({
        pour_id: number;
        at_ms: number | null;
        job: string;
        link: string;
        kind: string;
        for_whom: string;
        state: string;
        grade: string | null;
        by: string;
        of: string;
        href: string;
        good: number;
        usable: number;
        reject: number;
    })[];
    total: number;
    pieces: number;
    moulds: {
        id: number;
        code: string;
        name: string;
        job: string;
        casts: number;
        retired: boolean;
        place: string;
    }[];
    scrap: {
        id: number;
        label: string;
        left_g: number;
    }[];
    whom: {
        name: string;
        pieces: number;
    }[];
};

/** A pour sheet with its answers: what could be computed, and what has to be put right before it can be poured. */
export type ReckoningView = {
    edition: number;
    stamp: string;
    cup: {
        ml: number;
        tare_g: number | null;
    } | null;
    pourable: boolean;
    room_c: number;
    errors: {
        field: string;
        message: string;
        missing: boolean;
    }[];
    warnings: {
        code: string;
        message: string;
    }[];
    volume: VolumeResult | null;
    need_ml: number | null;
    allowance_ml: number | null;
    mix: MixResult | null;
    cure: CureResult | null;
    additives: {
        pct_of_ab: number;
        pct_of_one_part: number;
        grams: number;
    }[];
    hardness: string | null;
    slower: string[];
    ready: ReadyResult;
};

/**
 * What a study asks of materials: how they flow, how long they pour in this room, how far they stretch; and the mix the job has planned.
 */
export type RubbersView = {
    bases: ({
        code: string;
        name: string;
        sg: number;
        viscosity_pas: number | null;
        pot_life_min: number | null;
        elongation_pct: number | null;
        tear_n_mm: number | null;
        shore: string | null;
        soft: boolean;
        vacuum: string;
    })[];
    fillers: {
        code: string;
        name: string;
        sg: number;
    }[];
    cast: string | null;
    mould: string | null;
    planned: {
        name: string;
        base: string;
        sg: number;
        pot_life_min: number;
        viscosity_pas: number | null;
        start_min: number;
    } | null;
};

/** A run as its screen shows it: where it stands, what to do now, what the cup holds and what the clock says. */
export type RunView = {
    pour_id: number;
    build_id: number;
    laid: boolean;
    worked: WorkedResult;
    job_id: number;
    job: string;
    impression: string;
    kind: string;
    formula: string;
    base: string;
    base_code: string;
    step: {
        key: string;
        kind: string;
        batch: number;
        weighing: number;
    };
    batches: number;
    step_since_ms: number;
    cup: {
        fills: {
            code: string;
            name: string;
            planned_g: number;
            poured_g: number;
            colour: string;
        }[];
        capacity_ml: number | null;
        sg: number;
        display_g: number;
        k: number;
        mass_g: number;
    };
    line: {
        add: string;
        label: string;
        grams: number;
        running: number;
        from: number;
        to: number;
    } | null;
    next_line: string | null;
    meets_now: boolean;
    one_part: boolean;
    division_g: number;
    rescue: {
        needed: boolean;
        k: number;
        planned: Record<string, number>;
        lines: {
            add: string;
            grams: number;
            running: number;
        }[];
        extra_g: number;
        fits: boolean;
        ratio_error_if_ignored_pct: number;
        warnings: {
            code: string;
            message: string;
        }[];
    } | null;
    clock: {
        met_ms: number | null;
        pot_ends_ms: number | null;
        pot_life_min: number | null;
        mix_min: number;
        degas_min: number;
        usable_min: number | null;
    };
    cups: ({
        batch: number;
        grams: number;
        weighed: boolean;
        met_ms: number | null;
        pot_ends_ms: number | null;
        filled_ms: number | null;
    })[];
    may_swap: boolean;
    may_plan: boolean;
    carried: boolean;
    second_cup: boolean;
    degas_planned: boolean;
    heat: {
        from_c: number;
        to_c: number;
        over_c: number;
        step_ms: number;
        stands: string;
        readings: {
            at_ms: number;
            c: number;
            by: string;
        }[];
        reheats: number;
    } | null;
    scrap: {
        worth: boolean;
        lot: {
            id: number;
            label: string;
            grams: number;
            remelts: number;
        } | null;
    } | null;
    wait: {
        open_low_ms: number | null;
        open_likely_ms: number | null;
        open_high_ms: number | null;
        service_ms: number | null;
        gelled_ms: number | null;
        poured_ms: number | null;
        opened_ms: number | null;
    };
    ready: ReadyResult;
    notes: ({
        at_ms: number;
        text: string;
        fault: string | null;
    })[];
    notes_before: number;
    cautions: {
        id: string;
        title: string;
        text: string;
    }[];
    gear: string[];
    waste: string;
    faults: {
        id: string;
        name: string;
        cause: string;
    }[];
    checklist: ({
        id: string;
        text: string;
        minutes: number;
        begun_ms: number | null;
        done: boolean;
    })[];
    weighed_g: number;
    left_g: number | null;
    planned_g: number;
    likely_ml: number | null;
    grade: {
        grade: string;
        faults: string[];
        used_g: number;
        pieces: number;
        note: string;
        correction_pct: number | null;
    } | null;
    given_up: {
        fate: string;
        note: string;
    } | null;
    last_fact_id: number;
    take_back: {
        of: number;
        kind: string;
        step: string | null;
        about: string | null;
        name: string | null;
        grams: number | null;
    } | null;
};

/** What the scale shows to one weigh-up: the reading, who else has the scale, and what is wrong with it. */
export type ScaleView = {
    grams: number | null;
    stable: boolean;
    overload: boolean;
    lost: string | null;
    unit: string;
    held_by: {
        title: string;
        href: string;
        since_ms: number | null;
    } | null;
    trouble: {
        kind: string;
        saw_g: number | null;
        expected_g: number;
        in_line_g: number;
    } | null;
};

/** Where schools differ, for who ticks the shop's own. */
export type SchoolsView = {
    schools: {
        id: string;
        ask: string;
        options: {
            id: string;
            name: string;
            says: string;
        }[];
    }[];
};

/** A series on the bench: its plan, what is in so far, and what goes onto the scale next. */
export type SeriesRunView = {
    id: number;
    called: string;
    plan: SeriesResult;
    grams: Record<string, (number | null)[]>;
    on: string;
    next: WeighingResult | null;
    met_ms: number | null;
    fills_until_ms: number | null;
    usable_min: number | null;
    take_back: {
        of: number;
        name: string;
        grams: number;
    } | null;
    division_g: number;
    last_fact_id: number;
    labelled: boolean;
};

/** What a series can be made of. */
export type SeriesView = {
    kind: 'softener' | 'tint';
    base: string;
    pigment: string;
    bases: {
        code: string;
        name: string;
        family: string;
        softeners: {
            code: string;
            name: string;
            limit_pct: number;
        }[];
        pigment_basis: string;
        pigment_into: string;
        undrawn: number;
        heated: boolean;
    }[];
    pigments: {
        code: string;
        name: string;
        colour: string;
        families: string[];
    }[];
};

/** What a recipe can be written with; what is not here is known where it already stands. */
export type ShelfView = {
    bases: ({
        code: string;
        name: string;
        shore: string | null;
        one_part: boolean;
        part_a: string;
        part_b: string | null;
        by_volume_ok: boolean;
        vacuum: string;
        colour: string;
        family: string;
        here: boolean;
        heated: boolean;
    })[];
    additives: {
        code: string;
        name: string;
        role: string;
        families: string[];
        basis: string;
        into: string;
        colour: string;
        paint_only: boolean;
        here: boolean;
    }[];
};

/** The shelf: what is on it and what is not, and one sheet to read. */
export type StoresView = {
    open: string | null;
    empty: boolean;
    list: ({
        kind: string;
        code: string;
        name: string;
        colour: string | null;
        own: boolean;
        here: boolean;
    })[];
    base: BaseSheetView | null;
    additive: AdditiveSheetView | null;
    other: {
        kind: string;
        code: string;
        name: string;
        lines: ({
            label: string;
            value: string | null;
            open: string;
        })[];
    } | null;
    own: {
        version: number;
        versions: {
            version: number;
            at_ms: number;
            changed: string[];
        }[];
        left_open: {
            label: string;
            open: string;
        }[];
    } | null;
    lots: LotLineView[];
    kit: {
        price: string | null;
        mass_g: number | null;
        reorder_g: number | null;
        take_back: number | null;
    };
    part_names: Record<string, string>;
    melts: boolean;
    on_hand: Record<string, number>;
    reorder: {
        code: string;
        name: string;
        left_g: number;
        reorder_g: number;
        usual: boolean;
    }[];
    wanted: {
        code: string;
        name: string;
        grams: number;
        job: string;
        job_id: number;
    }[];
    today: string;
};

/** The day strip as it is at a moment. */
export type StripView = {
    now_ms: number;
    lozenges: {
        id: string;
        href: string;
        job: string;
        title: string;
        state: string;
        hands: {
            from_ms: number;
            to_ms: number;
        }[];
        waits: {
            from_ms: number;
            to_ms: number;
        }[];
        windows: {
            kind: string;
            from_ms: number;
            to_ms: number;
        }[];
    }[];
    calls: ({
        id: string;
        at_ms: number;
        what: string;
        event: string | null;
        event_ms: number | null;
        title: string;
        href: string;
    })[];
    startable: {
        pour_id: number;
        title: string;
        open_ms: number;
    }[];
    plans: ({
        id: string;
        href: string;
        job: string;
        title: string;
        name: string;
        from_ms: number;
        to_ms: number;
        moves: boolean;
        live: boolean;
        opens_ms: number | null;
        shuts_ms: number | null;
    })[];
};

/** The models there are, newest first, each with what its newest study found. */
export type StudiedView = {
    models: ({
        id: number;
        name: string;
        job: string | null;
        at_ms: number;
        volume_ml: number | null;
        bbox_mm: number[] | null;
        undercut_pct: number | null;
        watertight: boolean | null;
    })[];
    page: number;
    more: boolean;
};

/** A question asked of a model, how far it is, and its answer. */
export type StudyView = {
    id: number;
    state: 'waiting' | 'running' | 'done' | 'refused' | 'cancelled';
    done: number;
    doing: string | null;
    asked: {
        pull: string | null;
        pour: string | null;
        one_part: boolean;
        school: string | null;
        wall_mm: number | null;
        shore_a: number | null;
        seam_mm: number | null;
        float: {
            mass_g: number;
            centre_mm: [number, number, number] | null;
            water_sg: number;
        } | null;
    };
    wrong: string | null;
    answer: {
        triangles: number;
        unit: string;
        bbox_mm: [number, number, number];
        least_mm: [number, number, number];
        area_mm2: number;
        volume_ml: number;
        centre_mm: [number, number, number];
        watertight: boolean;
        open_edges: number;
        shells: number;
        flipped: number;
        pull: {
            axis: [number, number, number];
            undercut_area_pct: number;
            undercut_depth_mm: number;
            parting: {
                flat: boolean;
                z_range_mm: [number, number];
                loops: number;
            };
        };
        pulls: {
            axis: [number, number, number];
            undercut_area_pct: number;
        }[];
        pours: {
            up: [number, number, number];
            spout_at: [number, number, number];
            traps: {
                at: [number, number, number];
                prominence_mm: number;
                trapped_ml: number;
                kind: string;
                vent: boolean;
            }[];
            trapped_ml: number;
            vents: number;
        }[];
        halves: {
            below_ml: number;
            above_ml: number;
        };
        stretch: {
            needed_pct: number;
            opening_mm: number;
            passes_mm: number;
        };
        mould: {
            inner_mm: [number, number, number];
            margin_mm: number;
            seam_mm: number;
            stepped: boolean;
            lower_ml: number;
            upper_ml: number;
            keys: [number, number, number][];
            key_mm: number;
            spout: {
                at: [number, number, number];
                to: [number, number, number];
                length_mm: number;
                reservoir_ml: number;
            };
            vents: {
                at: [number, number, number];
                to: [number, number, number];
                length_mm: number;
            }[];
            fill_mm: number;
            locks_pct?: number;
            warnings: {
                code: string;
                message: string;
            }[];
        };
        float: {
            floats: boolean;
            up: [number, number, number] | null;
            level_mm: number;
            wet_ml: number;
            dry_ml: number;
            draught_mm: number;
            freeboard_mm: number;
            stable: boolean;
        } | null;
        seam: number[][];
        deepest: [number, number, number] | null;
        frame: {
            across: [number, number, number];
            other: [number, number, number];
            along: [number, number, number];
            least: [number, number, number];
            most: [number, number, number];
            plane: number;
        };
        opening: {
            at: number;
            girth: number;
        };
        passing: {
            at: number;
            girth: number;
        };
        words: string[];
        warnings: {
            code: string;
            message: string;
        }[];
    } | null;
};

/** What a maker chooses from while a chain is written down: materials, what contacts are treated with, uses. */
export type ToChooseView = {
    materials: ({
        code: string;
        name: string;
        shore: string | null;
        family: string;
        here: boolean;
    })[];
    words: {
        surfaces: Record<string, string>;
        releases: Record<string, {
            name: string;
            how: string;
            hides: number;
            paint: string;
            skin_safe: boolean;
            vapour: boolean;
            coats: number;
            minutes: number;
            every: number;
            cost: number;
        }>;
        sealers: Record<string, string>;
    };
    uses: Record<string, string>;
};

/** One trial: its cups, how each was graded, and what they say. */
export type TrialView = {
    id: number;
    name: string;
    about: string;
    note: string | null;
    base: string | null;
    surface: string | null;
    at_ms: number;
    ended: boolean;
    became: string | null;
    cups: number;
    cup_g: number;
    all_g: number;
    variants: ({
        name: string;
        release: string | null;
        vacuum_min: number | null;
        pot_min: number | null;
        alone: boolean;
        grades: (string | null)[];
        counts: (number | null)[];
    })[];
    grades: string[];
    counted: string | null;
    labels: ({
        label: number;
        variant: number;
        cup: number;
        grade: string | null;
        n: number | null;
    })[];
    batch: {
        name: string;
        grams: number;
    }[];
    verdict: {
        word: string;
        best: string | null;
        against: {
            variant: string;
            mean: number;
            beats: number;
            chance: number;
            corrected: number;
        }[];
        says: string;
        pairs: {
            one: string;
            other: string;
            one_mean: number;
            other_mean: number;
            beats: number;
            chance: number;
            corrected: number;
            left_alone: boolean;
        }[];
    };
    take_back: number | null;
    causes: Record<string, string>;
    formulas: {
        id: number;
        name: string;
    }[];
    can_be_contact: boolean;
};

/** What a practice came to. */
export type TryView = {
    id: number;
    scenario: string;
    name: string;
    ended_ms: number | null;
    going: string | null;
    minutes: number;
    would: string;
    seen: string[];
    causes: {
        name: string;
        share: number;
        next: string;
    }[];
    findings: ({
        code: string;
        skill: string;
        good: boolean;
        of: string;
        at_min: number;
        fact: number | null;
        text: string;
        lost_g: number;
        lost: string;
    })[];
    waste: {
        grams: number;
        money: string;
    };
};

/** How a link can be built in several operations, and what each way has to know first. */
export type WaysToBuildView = {
    ways: ({
        id: string;
        name: string;
        what: string;
        makes: string[];
        asks: string[];
        base: string | null;
    })[];
};

/** Whole ways as a screen shows them beside each other: with names, and with days in place of minutes. */
export type WaysView = {
    ways: ({
        id: string;
        kind: string;
        name: string;
        rubber: string | null;
        casting: string | null;
        release: string | null;
        base: string | null;
        cast: string | null;
        rack: string | null;
        moulds: number;
        gang: number | null;
        build: string | null;
        per_piece: string;
        total: string;
        cash: string;
        done_ms: number;
        late_min: number;
        hands_min: number;
        chance: number;
        low: number;
        high: number;
        rests_on: string;
        because: string[];
        against: string[];
        raise: string[];
        buy: {
            code: string;
            name: string;
            kits: number;
            cash: string;
        }[];
        first: string;
        line: {
            stage: string;
            name: string;
            from_ms: number;
            to_ms: number;
        }[];
    })[];
    left_out: {
        what: string;
        why: string;
        count: number;
    }[];
    ask: {
        question: string;
        about: string;
        narrows: number;
    }[];
    stopped_early: boolean;
    warnings: {
        code: string;
        message: string;
    }[];
    why_not: {
        forbidden: boolean;
        why: string | null;
        way: {
            id: string;
            kind: string;
            name: string;
            rubber: string | null;
            casting: string | null;
            release: string | null;
            base: string | null;
            cast: string | null;
            rack: string | null;
            moulds: number;
            gang: number | null;
            build: string | null;
            per_piece: string;
            total: string;
            cash: string;
            done_ms: number;
            late_min: number;
            hands_min: number;
            chance: number;
            low: number;
            high: number;
            rests_on: string;
            because: string[];
            against: string[];
            raise: string[];
            buy: {
                code: string;
                name: string;
                kits: number;
                cash: string;
            }[];
            first: string;
            line: {
                stage: string;
                name: string;
                from_ms: number;
                to_ms: number;
            }[];
        } | null;
    } | null;
};

/** A sheet being written: what is asked, what stands there already, and what can be named. */
export type WriteSheetView = {
    form: {
        kind: string;
        title: string;
        says: string;
        groups: ({
            title: string;
            fields: ({
                at: string;
                ask: string;
                label: string;
                unit: string | null;
                needed: boolean;
                why: string;
                open: string;
                of: Record<string, string>;
                fields: ({
                    at: string;
                    ask: string;
                    label: string;
                    unit: string | null;
                    of: Record<string, string>;
                })[];
            })[];
        })[];
    };
    kinds: {
        kind: string;
        title: string;
        says: string;
    }[];
    sheet: Record<string, unknown>;
    from: string | null;
    from_name: string | null;
    changes: string | null;
    edition: number;
    named: Record<string, string>;
    named_surfaces: Record<string, string>;
    lists: {
        families: string[];
        fresh: string[];
        surfaces: string[];
        likes: string[];
        cautions: string[];
        roles: string[];
    };
};
