const MB = 1024 * 1024;

/** Said before a file is sent that would not be taken: then nothing that was typed beside it goes on the way for nothing. */
export function tooLarge(file: File | undefined, mostMb: number, what: string): string | null {
    return file !== undefined && file.size > mostMb * MB
        ? `${what} may have ${String(mostMb)} MB; this has ${(file.size / MB).toFixed(1)}. Choose a smaller one.`
        : null;
}
