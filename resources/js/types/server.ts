// Written by `php artisan types:write`. Change the PHP classes, not this file.

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
    rests_on: number;
    warnings: {
        code: string;
        message: string;
    }[];
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
    warnings: {
        code: string;
        message: string;
    }[];
    working: string[];
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
    loads: Record<string, number>;
    delta_e: number | null;
    alternatives: {
        loads: Record<string, number>;
        lab: [number, number, number];
        srgb: string;
        delta_e: number;
    }[];
    warnings: {
        code: string;
        message: string;
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

/** The bench: what needs hands now, next and later, each with the one number that matters. */
export type BenchView = {
    items: ({
        pour_id: number;
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
};

/** The contact board: every fresh material on every surface, each with its verdict, and what the shop has tested. */
export type ContactBoardView = {
    fresh: {
        id: string;
        name: string;
        groups: string[];
    }[];
    surfaces: {
        id: string;
        name: string;
        groups: string[];
    }[];
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
        place: string;
        put_on_ms: number;
        due_ms: number;
        passed: boolean | null;
        note: string;
        photo: boolean;
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

/** What every screen's frame needs: whose bench, which units, how warm, what is live today. */
export type FrameView = {
    workshop: {
        name: string;
        units: string;
        room_c: number;
        room_source: string;
        muted: boolean;
        day_starts_min: number;
        day_ends_min: number;
    };
    thermometer: boolean;
    scale: boolean;
    simulated: boolean;
    strip: {
        now_ms: number;
        lozenges: {
            pour_id: number;
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
        calls: {
            pour_id: number;
            at_ms: number;
            what: string;
            title: string;
            href: string;
        }[];
        startable: {
            pour_id: number;
            title: string;
            open_ms: number;
        }[];
    };
};

/** A job: its piece and its chain, each link with its material and where its pours stand. */
export type JobView = {
    id: number;
    name: string;
    purpose: string;
    quantity: number;
    due_on: string | null;
    cast: number;
    chain: ({
        id: number;
        kind: string;
        positive: boolean;
        name: string;
        material: string;
        material_code: string | null;
        shore: string | null;
        colour: string;
        note: string;
        status: string;
        pourable: boolean;
        contacts: ({
            key: string;
            with: string;
            surface: string;
            surface_name: string;
            fresh: string;
            blocks: boolean;
            overruled: string | null;
            release: string | null;
            sealed_with: string | null;
            damp: boolean;
            latex_touched: boolean;
            hours_since_cure: number | null;
            hours_known: number | null;
            solvent_min_ago: number | null;
            result: {
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
        })[];
        surface: string | null;
        role: string;
        from_id: number | null;
        wall: string | null;
        bed: string | null;
        pours: ({
            id: number;
            state: string;
            href: string;
            grams: number | null;
            grade: string | null;
            at_ms: number | null;
            planned_ml: number | null;
        })[];
    })[];
};

/** All jobs, each with its chain in small. */
export type JobsView = {
    jobs: ({
        id: number;
        name: string;
        purpose: string;
        quantity: number;
        due_on: string | null;
        cast: number;
        chain: {
            positive: boolean;
            name: string;
            colour: string;
            status: string;
            stopped: boolean;
        }[];
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
        planned_g: number | null;
        used_g: number | null;
        pieces: number;
        grade: string;
        faults: {
            name: string;
            cause: string;
            next: string;
        }[];
        note: string;
        colour: string;
    })[];
    total: number;
    filter: {
        q: string;
        grade: string;
        fault: string;
        base: string;
    };
    faults: Record<string, string>;
    bases: Record<string, string>;
};

/** What a pour sheet needs to be filled in: itself as typed, the shelf, earlier formulas, what earlier pours taught. */
export type PourSheetView = {
    id: number;
    job_id: number;
    job: string;
    impression: string;
    kind: string;
    sheet: Record<string, unknown>;
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
    })[];
    additives: {
        code: string;
        name: string;
        role: string;
        families: string[];
        basis: string;
        into: string;
        colour: string;
    }[];
    families: Record<string, string>;
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
    scale: {
        division_g: number;
        capacity_g: number;
    };
};

/** A pour sheet with its answers: what could be computed, and what has to be put right before it can be poured. */
export type ReckoningView = {
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
    volume: {
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
    } | null;
    mix: {
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
        warnings: {
            code: string;
            message: string;
        }[];
        working: string[];
    } | null;
    cure: {
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
        rests_on: number;
        warnings: {
            code: string;
            message: string;
        }[];
    } | null;
    additives: {
        pct_of_ab: number;
        pct_of_one_part: number;
        grams: number;
    }[];
};

/** A run as its screen shows it: where it stands, what to do now, what the cup holds and what the clock says. */
export type RunView = {
    pour_id: number;
    job_id: number;
    job: string;
    impression: string;
    kind: string;
    formula: string;
    base: string;
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
    second_cup: boolean;
    degas_planned: boolean;
    wait: {
        open_low_ms: number | null;
        open_likely_ms: number | null;
        open_high_ms: number | null;
        service_ms: number | null;
        gelled_ms: number | null;
        poured_ms: number | null;
        opened_ms: number | null;
    };
    notes: ({
        at_ms: number;
        text: string;
        fault: string | null;
    })[];
    cautions: {
        id: string;
        title: string;
        text: string;
    }[];
    gear: string[];
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
    last_event_id: number;
    take_back: {
        event: number;
        what: string;
    } | null;
};

/** The shelf: every sheet to read, with its times as they are in the room now. */
export type StoresView = {
    open: string | null;
    bases: ({
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
        notes: string;
    })[];
    additives: {
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
        cautions: {
            title: string;
            text: string;
        }[];
        measured: string[];
        typical: string[];
        notes: string;
    }[];
};

/** The day strip: every live pour with where hands are needed, what it waits for, and the windows that close. */
export type StripView = {
    now_ms: number;
    lozenges: {
        pour_id: number;
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
    calls: {
        pour_id: number;
        at_ms: number;
        what: string;
        title: string;
        href: string;
    }[];
    startable: {
        pour_id: number;
        title: string;
        open_ms: number;
    }[];
};
