<?php

declare(strict_types=1);

namespace App\Library;

/** What takes a moment to read, prepared as PHP files: the second time it comes out of the memory that all requests share. */
final readonly class Prepared
{
    private const MOST = 60;

    /** @param  string  $code  differs as soon as the code does that objects are made with */
    public function __construct(private string $folder, private string $code) {}

    /**
     * @template T of object
     *
     * @param  class-string<T>  $class
     * @param  string  $stamp  differs as soon as what it is made from does
     * @param  callable(): T  $make
     * @return T
     */
    public function object(string $class, string $stamp, callable $make): object
    {
        $kept = $this->of(hash('xxh128', "{$class} {$stamp} {$this->code}"), static fn (): array => ['is' => serialize($make())])['is']
            ?? null;
        $is = is_string($kept) ? @unserialize($kept) : null;

        return $is instanceof $class ? $is : $make();
    }

    /**
     * @param  string  $stamp  differs as soon as what is read does
     * @param  callable(): array<array-key, mixed>  $read  plain values only
     * @return array<array-key, mixed>
     */
    public function of(string $stamp, callable $read): array
    {
        $file = "{$this->folder}/{$stamp}.php";
        $kept = is_readable($file) ? include $file : null;
        if (is_array($kept)) {
            return $kept;
        }
        $fresh = $read();
        // Written aside and moved into place, so that nobody reads half of it. Where nothing can be written, it is read again each time.
        $aside = "{$file}.".bin2hex(random_bytes(4));
        if (
            (is_dir($this->folder) || @mkdir($this->folder, 0775, true) || is_dir($this->folder))
            && @file_put_contents($aside, '<?php return '.var_export($fresh, true).';') !== false
        ) {
            @rename($aside, $file);
            $this->sweep();
        }

        return $fresh;
    }

    /** What was read before the last change is not read again. */
    private function sweep(): void
    {
        $files = glob("{$this->folder}/*.php") ?: [];
        if (count($files) > self::MOST) {
            usort($files, static fn (string $one, string $other): int => (int) @filemtime($one) <=> (int) @filemtime($other));
            array_map(static fn (string $old): bool => @unlink($old), array_slice($files, 0, count($files) - self::MOST));
        }
    }
}
