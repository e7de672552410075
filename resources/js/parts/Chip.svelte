<script lang="ts">
    /** A chip of soft stuff, half over a light card and half over a dark one; hatched where it was never seen. */
    type Props = { light: string | null; dark: string | null; size?: number; label?: string };
    let { light, dark, size = 56, label = '' }: Props = $props();
    const id = $props.id();
</script>

<svg
    width={size}
    height={size}
    viewBox="0 0 56 56"
    role={label === '' ? 'presentation' : 'img'}
    aria-label={label === '' ? undefined : label}
>
    <defs>
        <clipPath id="{id}-drop"><path d="M28 6 C42 6 50 16 50 28 C50 42 40 50 28 50 C15 50 6 41 6 28 C6 15 15 6 28 6 Z" /></clipPath>
        <pattern id="{id}-none" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"
            ><rect width="1.6" height="6" class="hatch" /></pattern
        >
    </defs>
    <rect width="28" height="56" fill="#efece6" /><rect x="28" width="28" height="56" fill="#2b2724" />
    <g clip-path="url(#{id}-drop)">
        <rect width="56" height="56" class="unseen" />
        <rect width="28" height="56" fill={light ?? `url(#${id}-none)`} /><rect
            x="28"
            width="28"
            height="56"
            fill={dark ?? `url(#${id}-none)`}
        />
    </g>
</svg>

<style>
    svg {
        border-radius: 0.8rem;
        flex: none;
    }
    .unseen {
        fill: var(--color-base-200);
    }
    .hatch {
        fill: var(--color-neutral);
    }
</style>
