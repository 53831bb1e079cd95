<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/** Probabilities added up by their logs, which may be far too small for a float. */
final class LogSum
{
    /**
     * @param list<float> $logs
     *
     * @return array{float, list<float>} log of the sum of what they are logs of, and their shares of it
     */
    public static function of(array $logs): array
    {
        $top = max([-\INF, ...$logs]);
        $sum = 0.0;
        $shares = [];
        foreach ($logs as $log) {
            $sum += $shares[] = exp($log - $top);
        }
        foreach ($shares as $at => $weight) {
            $shares[$at] = $weight / $sum;
        }

        return [$top + log($sum), $shares];
    }
}
