<script lang="ts">
    /** Two ways of making the same thing: what so many pieces cost either way, and where the lines cross. */
    import type { CostView } from '../../types/server';
    import * as texts from './texts';

    type Even = NonNullable<NonNullable<CostView['answer']>['break_even']>;
    let { other, even, money }: { other: { name: string; fixed: string; each: string }; even: Even; money: (amount: string) => string } =
        $props();
    const fixed = $derived(Number(even.fixed));
    const each = $derived(Number(even.each));
    const W = 420;
    const H = 190;
    const most = $derived(Math.max(10, Math.ceil((even.pieces ?? 20) * 2)));
    const theirs = $derived({ fixed: Number(other.fixed) || 0, each: Number(other.each) || 0 });
    const top = $derived(Math.max(fixed + each * most, theirs.fixed + theirs.each * most, 1));
    const x = (pieces: number): number => 8 + ((W - 16) * pieces) / most;
    const y = (cost: number): number => H - 22 - ((H - 34) * cost) / top;
    const named = (who: string): string => (who === 'this' ? 'this way' : who);
</script>

<svg viewBox="0 0 {W} {H}" role="img" aria-label={texts.whatSoManyPiecesCostEither}>
    <line x1="8" x2={W - 8} y1={H - 22} y2={H - 22} stroke="currentColor" opacity="0.4" />
    <line x1={x(0)} y1={y(fixed)} x2={x(most)} y2={y(fixed + each * most)} stroke="var(--color-accent)" stroke-width="3" />
    <line
        x1={x(0)}
        y1={y(theirs.fixed)}
        x2={x(most)}
        y2={y(theirs.fixed + theirs.each * most)}
        stroke="var(--color-neutral)"
        stroke-width="3"
        stroke-dasharray="7 5"
    />
    {#if even.pieces !== null}
        <line x1={x(even.pieces)} x2={x(even.pieces)} y1="8" y2={H - 22} stroke="currentColor" stroke-dasharray="2 4" />
        <text x={x(even.pieces)} y={H - 5} text-anchor="middle" fill="currentColor" font-size="19" font-weight="700">{even.pieces}</text>
    {/if}
    <text x={W - 8} y={H - 5} text-anchor="end" fill="currentColor" font-size="19">{most} pieces</text>
</svg>
<p>
    {#if even.pieces === null}{named(even.cheaper_below) === other.name
            ? `${other.name} is never the dearer.`
            : `This way is never dearer than ${other.name}.`}
    {:else}Under <b class="fig">{even.pieces}</b> pieces {named(even.cheaper_below)} is cheaper, from there on {named(
            even.cheaper_above,
        )}.{/if}
    <span class="quiet">This way {money(even.fixed)} before the first piece and {money(even.each)} each.</span>
</p>
