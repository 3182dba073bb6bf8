<?php

declare(strict_types=1);

namespace App\Console;

use App\Adapters\CommandLine\BadInput;
use App\Adapters\CommandLine\Document;
use Hyalin\Colour\Illuminant;
use Hyalin\InvalidInput;
use Illuminate\Console\Command;
use JsonException;
use Symfony\Component\Console\Output\OutputInterface;

/**
 * What the commands of the core share: input from a file or standard input, JSON out, exit 2 with one JSON error on
 * standard error. Nothing else is printed.
 */
abstract class CoreCommand extends Command
{
    private const LONGEST_LINE = 16 * 1024 * 1024;

    /**
     * @throws BadInput
     * @throws InvalidInput
     */
    abstract protected function answer(): void;

    public function handle(): int
    {
        try {
            $this->answer();
            $this->flushOut();

            return self::SUCCESS;
        } catch (BadInput $e) {
            return $this->fault($e->where, $e->getMessage());
        } catch (InvalidInput $e) {
            return $this->fault('', $e->getMessage());
        }
    }

    private function fault(string $where, string $message): int
    {
        $this->flushOut();
        $this->output->getErrorStyle()->write(json_encode(['error' => ['where' => $where, 'message' => $message]], self::FLAGS)."\n", false, OutputInterface::OUTPUT_RAW);

        return 2;
    }

    private const FLAGS = JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION;

    private string $buffer = '';

    protected function put(mixed $document): void
    {
        $this->buffer .= json_encode($document, self::FLAGS)."\n";
        if (strlen($this->buffer) > 65_536) {
            $this->flushOut();
        }
    }

    private function flushOut(): void
    {
        if ($this->buffer !== '') {
            $this->output->write($this->buffer, false, OutputInterface::OUTPUT_RAW);
            $this->buffer = '';
        }
    }

    /**
     * One JSON document a line; empty lines are passed over.
     *
     * @param  callable(mixed): mixed  $row
     *
     * @throws BadInput naming the line
     */
    protected function rows(callable $row): void
    {
        $input = $this->input();
        for ($number = 1; ($line = fgets($input, self::LONGEST_LINE)) !== false; $number++) {
            if (trim($line) === '') {
                continue;
            }
            try {
                $this->put($row(self::decode($line)));
            } catch (BadInput $e) {
                throw $e->within("line {$number}");
            } catch (InvalidInput $e) {
                throw BadInput::at("line {$number}", $e->getMessage(), $e);
            }
        }
    }

    /** @throws BadInput unless the input is one JSON document */
    protected function document(): mixed
    {
        $text = stream_get_contents($this->input(), self::LONGEST_LINE);

        return self::decode($text === false ? '' : $text);
    }

    /**
     * @template T
     *
     * @param  list<mixed>  $entries
     * @param  callable(Document): T  $read
     * @return list<T>
     *
     * @throws BadInput naming the entry
     */
    protected static function each(array $entries, string $what, callable $read): array
    {
        $found = [];
        foreach ($entries as $n => $entry) {
            try {
                $document = Document::of($entry, "the {$what}");
                $found[] = $read($document);
                $document->refuseUnknown();
            } catch (BadInput $e) {
                throw $e->within("{$what} ".($n + 1));
            }
        }

        return $found;
    }

    /** @throws BadInput */
    protected function illuminant(string $name): Illuminant
    {
        return Illuminant::tryFrom($name) ?? throw BadInput::at(
            'illuminant',
            "\"{$name}\" is not known; known are ".implode(', ', array_column(Illuminant::cases(), 'value')),
        );
    }

    /** @throws BadInput unless it is JSON */
    protected static function decode(string $text): mixed
    {
        try {
            return json_decode($text, false, 32, JSON_THROW_ON_ERROR);
        } catch (JsonException $e) {
            throw BadInput::at('', "is not JSON: {$e->getMessage()}", $e);
        }
    }

    /**
     * @return resource
     *
     * @throws BadInput when the file cannot be read
     */
    private function input()
    {
        $file = $this->argument('file');
        if (! is_string($file)) {
            return fopen('php://stdin', 'r') ?: throw BadInput::at('file', 'standard input cannot be read');
        }
        if (! is_file($file) || ($handle = fopen($file, 'r')) === false) {
            throw BadInput::at('file', "{$file} cannot be read");
        }

        return $handle;
    }
}
