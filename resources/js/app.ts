import { createInertiaApp, type ResolvedComponent } from '@inertiajs/svelte';
import { mount } from 'svelte';
import { renew, RenewingClient, token } from './lib/token';
import Frame from './parts/Frame.svelte';

// A page's script comes when the page is opened.
const pages = import.meta.glob<ResolvedComponent>([
    './pages/{bench/Bench,build/Build,contacts/Contacts,cost/Cost,day/Day,faults/Faults,faults/OneTrial,first/First,jobs/Job,jobs/Jobs,log/Log,lost/Away,lost/Damaged,lost/Lost,mould/Mould,people/People,people/SignIn,people/Trust,people/Welcome,plan/PlanIt,pour/PourSheet,practice/CameTo,practice/Practice,rack/OneMould,rack/Rack,run/Card,run/Run,stores/OneLot,stores/Recall,stores/Stores,stores/WriteSheet,study/Studies,study/Study}.svelte',
    './pages/formulas/{Formula,Formulas}.svelte',
    './pages/swatches/{Colour,Drawer,Hardness,Labels,Series,SeriesRun}.svelte',
]);

// A first look keeps no session: who has a page before them takes one.
if (token() === '') {
    void renew();
}

void createInertiaApp({
    http: new RenewingClient(),
    resolve: async (name) => {
        const load = pages[`./pages/${name}.svelte`];
        if (load === undefined) {
            throw new Error(`There is no page ${name}.`);
        }
        const page = await load();
        return { default: page.default, layout: page.layout ?? Frame };
    },
    setup: ({ el, App, props }) => {
        if (el !== null) {
            mount(App, { target: el, props });
        }
    },
    progress: { color: '#c8402a', delay: 400 },
});
