const PLACE = 'hyalin-rung';
const KEPT = 60;

/** Rings once for each thing and moment, whichever window sees it first, and not again after a reload. */
export function ringOnce(key: string, words: string): void {
    const rung = read();
    if (rung.includes(key)) return;
    localStorage.setItem(PLACE, JSON.stringify([...rung, key].slice(-KEPT)));
    beep();
    if ('vibrate' in navigator) navigator.vibrate([300, 150, 300]);
    if ('Notification' in window && Notification.permission === 'granted') {
        new Notification('Hyalin', { body: words, tag: key });
    }
}

/** @returns whether it makes sense to ask for notifications */
export function canAsk(): boolean {
    return 'Notification' in window && Notification.permission === 'default';
}

export async function ask(): Promise<void> {
    await Notification.requestPermission();
}

function read(): string[] {
    try {
        const value: unknown = JSON.parse(localStorage.getItem(PLACE) ?? '[]');
        return Array.isArray(value) ? value.filter((v): v is string => typeof v === 'string') : [];
    } catch {
        return [];
    }
}

/** Two short tones; a browser that was not touched yet keeps silent, and the tray still says it. */
function beep(): void {
    const audio = new AudioContext();
    for (const [start, frequency] of [
        [0, 660],
        [0.35, 880],
    ] as const) {
        const tone = audio.createOscillator();
        const volume = audio.createGain();
        tone.frequency.value = frequency;
        volume.gain.setValueAtTime(0.2, audio.currentTime + start);
        volume.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + start + 0.3);
        tone.connect(volume).connect(audio.destination);
        tone.start(audio.currentTime + start);
        tone.stop(audio.currentTime + start + 0.32);
    }
}
