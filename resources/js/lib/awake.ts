/** Keeps the screen from going dark while somebody has both hands in a cup. @returns what lets it sleep again */
export function awake(): () => void {
    let lock: WakeLockSentinel | null = null;
    let over = false;
    // A screen that was left has lost its lock, and asks for another when it is looked at again.
    const ask = (): void => {
        if (document.visibilityState === 'visible') {
            navigator.wakeLock
                ?.request('screen')
                .then((held) => {
                    lock = held;
                    if (over) {
                        void held.release();
                    }
                })
                .catch(() => undefined);
        }
    };
    ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
        over = true;
        document.removeEventListener('visibilitychange', ask);
        void lock?.release();
    };
}
