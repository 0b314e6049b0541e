<?php

declare(strict_types=1);

namespace App\Views\Piece;

use UprightPencil\Core\Score\OrderOfPerformance;

/** What of a piece is played. */
final readonly class OrderView
{
    /**
     * @param  list<SpanView>  $cuts
     * @param  list<string>  $straight  measures whose closing repeat is not taken
     * @param  list<TacetView>  $tacets
     */
    public function __construct(
        public array $cuts,
        public array $straight,
        public array $tacets,
    ) {}

    public static function of(OrderOfPerformance $order): self
    {
        return new self(
            array_map(static fn (array $cut): SpanView => new SpanView($cut['from'], $cut['to']), $order->cuts),
            $order->straight,
            array_map(static fn (array $tacet): TacetView => new TacetView($tacet['part'], $tacet['from'], $tacet['to']), $order->tacets),
        );
    }
}
