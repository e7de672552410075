<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Exchange\Everything;
use App\Exchange\TakeEverything;
use App\Http\Reply;
use App\Machine\LastBackup;
use App\People\ShopAtHand;
use App\Storage\Backup;
use App\Storage\BackupFailed;
use App\Storage\NotWritten;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** A backup at a press, and everything as one archive, out and in. */
final readonly class TakingAlongController
{
    public function __construct(private Backup $backup, private ShopAtHand $at) {}

    public function show(): JsonResponse
    {
        return Reply::json($this->state());
    }

    public function backUp(): JsonResponse
    {
        // A backup is of the whole server: nobody takes the shop of another along.
        $this->at->areSeveral() && throw BadInput::at('backup', Phrase::of('bench.server_has_several'));
        try {
            $this->backup->take($this->folder(), CarbonImmutable::now());
            LastBackup::wentWell(CarbonImmutable::now());
        } catch (BackupFailed $failed) {
            LastBackup::failed(Reply::say($failed->says));
            throw BadInput::at('backup', $failed->says);
        }

        return Reply::json($this->state());
    }

    public function everything(Everything $everything): BinaryFileResponse
    {
        $now = CarbonImmutable::now();
        $file = (string) tempnam(sys_get_temp_dir(), 'apalos');

        return response()->download(
            $everything->give($file, $now), "apalos-everything-{$now->format('Y-m-d')}.zip", ['Content-Type' => 'application/zip'],
        )->deleteFileAfterSend();
    }

    public function take(Request $request, TakeEverything $take): RedirectResponse
    {
        $file = $request->file('file');
        try {
            if (! $file instanceof UploadedFile || ! $file->isValid()) {
                throw BadInput::at('file', Phrase::of('bench.choose_archive_of_everything'));
            }
            $came = $take($file->getRealPath());
        } catch (BadInput $wrong) {
            return Reply::back('file', $wrong);
        } catch (NotWritten $failed) {
            return back()->withErrors(['file' => Reply::say($failed->says)]);
        }

        return redirect()->to('/')->with(
            'said',
            Reply::say(Phrase::of('bench.all_here', [
                'jobs' => $came['jobs'] ?? 0, 'pours' => $came['pours'] ?? 0, 'formulas' => $came['formulas'] ?? 0,
                'moulds' => $came['moulds'] ?? 0, 'lots' => $came['lots'] ?? 0,
            ])),
        );
    }

    /** @return array{last_ms: int|null, possible: bool, folder: string} */
    private function state(): array
    {
        $last = $this->backup->newest($this->folder());

        return [
            'last_ms' => $last === null ? null : (int) $last->getTimestampMs(),
            'possible' => config('database.default') === 'sqlite' && ! $this->at->areSeveral(),
            'folder' => $this->at->areSeveral() ? '' : $this->folder(),
        ];
    }

    private function folder(): string
    {
        return config()->string('apalos.backups') !== '' ? config()->string('apalos.backups') : dirname(storage_path()).'/backups';
    }
}
