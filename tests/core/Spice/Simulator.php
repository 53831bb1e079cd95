<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Spice;

/** Debian's ngspice, run once for a netlist. */
final class Simulator
{
    public static function isHere(): bool
    {
        return is_executable('/usr/bin/ngspice');
    }

    /**
     * @param list<string> $print
     *
     * @return array<string, array{float, float}> vector => real and imaginary part
     */
    public static function run(Netlist $netlist, float $hertz, array $print): array
    {
        $ground = \in_array('v(0)', $print, true);
        $print = array_values(array_diff($print, ['v(0)']));
        $output = self::output($netlist->text($hertz, $print));
        if (1 !== preg_match('/^v\S* = /m', $output)) {
            // A bar's 20 kS beside a tie of a picosiemens: no digit of the tie is left. Tie it harder.
            $output = self::output($netlist->text($hertz, $print, 1e6));
        }
        $values = $ground ? ['v(0)' => [0.0, 0.0]] : [];
        foreach ($print as $vector) {
            if (1 !== preg_match('/^'.preg_quote($vector, '/').' = ([-+0-9.e]+)(?:,([-+0-9.e]+))?\s*$/m', $output, $match)) {
                throw new \RuntimeException("The simulator gave no $vector: ".substr($output, 0, 2000));
            }
            $values[$vector] = [(float) $match[1], (float) ($match[2] ?? 0.0)];
        }

        return $values;
    }

    private static function output(string $netlist): string
    {
        $file = tempnam(sys_get_temp_dir(), 'netlist');
        \assert(\is_string($file));
        file_put_contents($file, $netlist);
        // What it says on stderr are remarks; a vector that is missing on stdout is an error.
        $output = (string) shell_exec('/usr/bin/ngspice -b '.escapeshellarg($file).' 2>/dev/null');
        unlink($file);

        return $output;
    }
}
