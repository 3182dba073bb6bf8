import { Link, router } from '@inertiajs/react';
import { useState } from 'react';
import { Shell } from '@/features/shell/shell';
import { capital, inkOn, many, one } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { Field } from '@/shared/ui/field';
import { Pick } from '@/shared/ui/pick';
import { Empty } from '@/shared/ui/empty';
import type { PotProps, RecipeProps } from '@/types/generated';

type Props = {
    recipes: RecipeProps[];
    hex: string | null;
    word: string;
    paintId: number | null;
    figureId: number | null;
    pots: PotProps[];
    figures: { id: number; name: string }[];
};

const ANY = 'any';

/** Every finish of this painter: by colour, by pot, by figure, by word. */
export default function RecipesPage(props: Props) {
    const search = useRecipes(props);
    const { recipes, hex, find } = search;

    return (
        <Shell title="Recipes">
            <div className="flex flex-col gap-4">
                <Search find={find} search={search} />
                <p className="text-sm text-quiet" aria-live="polite">
                    {recipes.length === 0
                        ? 'No match. Use fewer filters.'
                        : `${many(recipes.length, 'recipe')}${hex === null ? '' : ', the nearest zone first'}.`}
                </p>
                {recipes.length === 0 && (
                    <Empty act="Go to the figures" to={url('home')}>
                        A recipe is the finish of an area. Build one, or adopt a proposal.
                    </Empty>
                )}
                <ul className="grid gap-3 lg:grid-cols-2">
                    {recipes.map((recipe) => (
                        <li key={recipe.areaId}>
                            <Recipe recipe={recipe} hex={hex} />
                        </li>
                    ))}
                </ul>
            </div>
        </Shell>
    );
}

type Search = ReturnType<typeof useRecipes>;

function useRecipes({ recipes, hex, word, paintId, figureId, pots, figures }: Props) {
    const [words, setWords] = useState(word);
    const [colour, setColour] = useState(hex ?? '');

    function find(change: { word?: string; hex?: string; paintId?: string; figureId?: string }) {
        const asked = {
            word: words,
            hex: colour,
            paintId: paintId === null ? ANY : String(paintId),
            figureId: figureId === null ? ANY : String(figureId),
            ...change,
        };
        const query = Object.fromEntries(Object.entries(asked).filter(([, value]) => value !== '' && value !== ANY));
        router.visit(url('recipes', query), { preserveState: true });
    }
    return { recipes, hex, paintId, figureId, pots, figures, words, setWords, colour, setColour, find };
}

function Recipe({ recipe, hex }: { recipe: RecipeProps; hex: string | null }) {
    return (
        <article className="flex h-full border border-line bg-raised">
            <div className="flex w-40 shrink-0 flex-col">
                {hex !== null && <div className="h-6" style={{ background: hex }} title="the colour searched for" />}
                <div className="flex min-h-16 flex-1">
                    {recipe.ramp.map((colour, i) => (
                        <span
                            key={i}
                            className="flex flex-1 items-end justify-center pb-1 text-xs"
                            style={{ background: colour.hex, color: inkOn(colour.hex) }}
                            title={colour.name}
                        />
                    ))}
                </div>
            </div>
            <div className="min-w-0 flex-1 p-2 text-sm">
                <h2 className="leading-tight font-semibold">
                    <Link href={recipe.url} className="underline-offset-4 hover:underline">
                        {recipe.area}
                    </Link>{' '}
                    <span className="font-normal text-quiet">{recipe.figure}</span>
                </h2>
                {recipe.difference !== null && recipe.nearest !== null && (
                    <p>
                        its {recipe.nearest}: <strong>{one(recipe.difference)}</strong> away
                    </p>
                )}
                <ol className="mt-1 text-xs leading-snug text-quiet">
                    {recipe.layers.map((layer, i) => (
                        <li key={i} className="truncate" title={layer}>
                            {i + 1}. {capital(layer)}
                        </li>
                    ))}
                </ol>
            </div>
        </article>
    );
}

function Search({
    search,
    find,
}: {
    search: Search;
    find: (change: { word?: string; hex?: string; paintId?: string; figureId?: string }) => void;
}) {
    const { words, setWords, colour, setColour, paintId, pots, figureId, figures } = search;
    return (
        <form
            className="grid items-end gap-3 sm:grid-cols-[auto_2fr_1fr_1fr_1fr_auto]"
            onSubmit={(event) => {
                event.preventDefault();
                find({});
            }}
        >
            <h1 className="pr-4 text-2xl">Recipes</h1>
            <Field
                label="Word: area, description, technique, note, pot"
                value={words}
                onChange={(event) => {
                    setWords(event.target.value);
                }}
            />
            <Field
                label="Nearest to a colour"
                placeholder="#b06f1a"
                value={colour}
                onChange={(event) => {
                    setColour(event.target.value);
                }}
            />
            <Pick
                label="Uses the pot"
                value={paintId === null ? ANY : String(paintId)}
                options={[
                    { value: ANY, label: 'any' },
                    ...pots.map((pot) => ({ value: String(pot.id), label: pot.name })),
                ]}
                onPick={(value) => {
                    find({ paintId: value });
                }}
            />
            <Pick
                label="Figure"
                value={figureId === null ? ANY : String(figureId)}
                options={[
                    { value: ANY, label: 'any' },
                    ...figures.map((figure) => ({ value: String(figure.id), label: figure.name })),
                ]}
                onPick={(value) => {
                    find({ figureId: value });
                }}
            />
            <Button look="main" type="submit">
                Find
            </Button>
        </form>
    );
}
