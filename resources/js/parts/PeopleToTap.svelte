<script lang="ts">
    /** People as large marks of their own colour: told apart at two metres, tapped with a knuckle. */
    export type Tappable = { id: string; name: string; colour: string; note?: string };

    let { people, tap }: { people: Tappable[]; tap: (one: Tappable) => void } = $props();
</script>

<ul class="marks">
    {#each people as one (one.id)}
        <li>
            <button class="btn btn-ghost" onclick={() => tap(one)}>
                <span class="mark" style:background={one.colour} aria-hidden="true">{one.name.slice(0, 1)}</span>
                <span
                    >{one.name}{#if one.note !== undefined}<small>{one.note}</small>{/if}</span
                >
            </button>
        </li>
    {/each}
</ul>

<style>
    .marks {
        display: grid;
        grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
        gap: 0.5rem;
    }
    .btn {
        width: 100%;
        min-height: 4.5rem;
        justify-content: flex-start;
        font-size: 1.15rem;
        text-align: left;
    }
    .mark {
        display: inline-grid;
        place-items: center;
        width: 3rem;
        height: 3rem;
        border-radius: 62% 38% 55% 45% / 48% 56% 44% 52%;
        color: #fff;
        font-weight: 700;
        font-size: 1.4rem;
    }
    small {
        display: block;
        font-size: 0.875rem;
        font-weight: 400;
    }
</style>
