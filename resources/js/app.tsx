import { createInertiaApp, router } from '@inertiajs/react';
import type { ComponentType } from 'react';
import { createRoot } from 'react-dom/client';
import { applySettings } from '@/shared/lib/settings';
import { restoreSurround } from '@/shared/lib/surround';

const pages = import.meta.glob<{ default: ComponentType }>('./pages/**/*.tsx');

restoreSurround();

void createInertiaApp({
    title: (title) => (title ? `${title} - Hyalin` : 'Hyalin'),
    resolve: async (name) => {
        const load = pages[`./pages/${name}.tsx`];
        if (!load) throw new Error(`Unknown page: ${name}`);
        return (await load()).default;
    },
    setup({ el, App, props }) {
        applySettings(props.initialPage.props['settings']);
        router.on('success', (event) => {
            applySettings(event.detail.page.props['settings']);
        });
        createRoot(el).render(<App {...props} />);
    },
    progress: { color: '#6a6a6a' },
});
