import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, expect, it } from 'vitest';
import { Term } from '@/shared/ui/term';

afterEach(cleanup);

it('says what it means where it is pressed, and nothing before', () => {
    render(
        <p>
            average <Term name="ΔE" /> over all
        </p>,
    );
    expect(screen.queryByText(/CIEDE2000/)).toBeNull();
    fireEvent.click(screen.getByText('ΔE'));
    expect(screen.getByText(/below 1 nobody tells them apart/)).toBeTruthy();
    fireEvent.keyDown(screen.getByText(/below 1/), { key: 'Escape' });
    expect(screen.queryByText(/CIEDE2000/)).toBeNull();
});
