/** Where two differ: figures by more than the millionth of a gram or a millisecond, all else at all. */
export function differ(is: unknown, was: unknown, where: string): string[] {
    if (typeof is === 'number' && typeof was === 'number') {
        return Math.abs(is - was) <= (where.endsWith('_ms') ? 1 : 1e-6) ? [] : [`${where}: ${String(is)} for ${String(was)}`];
    }
    if (typeof is === 'object' && is !== null && typeof was === 'object' && was !== null) {
        const names = new Set([...Object.keys(is), ...Object.keys(was)]);
        return [...names].flatMap((name) =>
            differ((is as Record<string, unknown>)[name], (was as Record<string, unknown>)[name], `${where}.${name}`),
        );
    }
    return is === was ? [] : [`${where}: ${JSON.stringify(is)} for ${JSON.stringify(was)}`];
}
