declare module '@/types/ziggy.js' {
    import type { Config } from 'ziggy-js';

    export const Ziggy: Config;
}
