<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Impression;
use App\Models\Job;
use Tests\TestCase;

final class JobsTest extends TestCase
{
    public function test_a_job_is_made_with_the_first_links_of_its_chain(): void
    {
        $to = $this->post('/jobs', ['name' => 'Boot', 'quantity' => 2, 'purpose' => '', 'due_on' => '', 'chain' => [
            ['kind' => 'original', 'name' => 'Last', 'material' => 'lime wood'],
            ['kind' => 'mould', 'name' => 'Glove', 'material' => 'br-28'], ['kind' => 'cast', 'name' => 'Boots', 'material' => 'ur-35'],
        ]])->assertRedirect()->headers->get('Location');

        $this->get((string) $to)->assertInertia(static fn ($page) => $page->component('jobs/Job')
            ->where('job.chain.0.material', 'lime wood')->where('job.chain.1.positive', false)->where('job.chain.1.shore', 'A 28')->where(
                'job.chain.2.status', 'not planned yet',
            ));
    }

    public function test_a_job_without_a_name_or_a_number_is_refused_and_nothing_is_made(): void
    {
        $this->from('/jobs')->post('/jobs', ['name' => '', 'quantity' => '0'])->assertSessionHasErrors([
            'name' => 'Give the piece a name you will know it by.', 'quantity' => 'How many? Give a whole number from 1 to 100 000.',
        ]);
        self::assertSame(0, Job::query()->count());
    }

    public function test_a_link_that_was_poured_stays_and_one_that_was_not_can_go_and_come_back(): void
    {
        $poured = $this->begun()->impression;
        $this->delete("/impressions/{$poured->id}")->assertSessionHasErrors('impression');
        $planned = $this->impression('mould');
        $this->delete("/impressions/{$planned->id}")->assertSessionHas('undo', "/impressions/{$planned->id}/restore");
        self::assertFalse(Impression::query()->whereKey($planned->id)->exists());
        $this->post("/impressions/{$planned->id}/restore");
        self::assertTrue(Impression::query()->whereKey($planned->id)->exists());
    }

    public function test_a_job_put_away_can_be_taken_out_again(): void
    {
        $job = $this->impression()->job;
        $this->delete("/jobs/{$job->id}")->assertRedirect('/jobs')->assertSessionHas('undo', "/jobs/{$job->id}/restore");
        $this->get("/jobs/{$job->id}")->assertNotFound();
        $this->post("/jobs/{$job->id}/restore")->assertRedirect("/jobs/{$job->id}");
        $this->get("/jobs/{$job->id}")->assertOk();
    }

    public function test_links_are_added_and_changed(): void
    {
        $job = $this->impression()->job;
        $this->from("/jobs/{$job->id}")->post("/jobs/{$job->id}/impressions", [
            'kind' => 'copy', 'name' => 'Hard copy', 'material' => 'rf-70',
        ])->assertRedirect();
        $copy = Impression::query()->where('name', 'Hard copy')->firstOrFail();
        $this->put("/impressions/{$copy->id}", [
            'kind' => 'copy', 'name' => 'Sanded copy', 'material' => 'rf-70', 'note' => '400 grit',
        ])->assertRedirect();
        $this->put("/impressions/{$copy->id}", ['kind' => 'sausage', 'name' => ''])->assertSessionHasErrors(['kind', 'name']);
        $this->put("/impressions/{$copy->id}", ['kind' => 'copy', 'name' => 'x', 'role' => ' '])->assertSessionHasErrors(['role']);

        self::assertSame(['Sanded copy', '400 grit'], [$copy->refresh()->name, $copy->note]);
    }

    public function test_a_page_that_is_not_there_says_so(): void
    {
        $this->get('/jobs/4711')->assertNotFound()->assertInertia(static fn ($page) => $page->component('lost/Lost')->where('status', 404));
        $this->getJson('/jobs/4711')->assertNotFound();
    }
}
