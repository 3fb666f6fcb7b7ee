<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

/** What a package of one version of QTI looks like, and how its documents are written: in the words of 3.0, then in its own. */
interface Edition
{
    public function format(): string;

    /** The type of a resource in the manifest. @param  'item'|'test'|'stimulus'  $kind */
    public function type(string $kind): string;

    /** The manifest around its resources. */
    public function manifest(string $identifier, string $resources): string;

    /** A document in the words of this version. @param  string  $xml  of 3.0 */
    public function lower(string $xml): string;

    /** Whether stimuli are documents of their own; where they are not, they stand in every item that shows them. */
    public function hasStimuli(): bool;
}
