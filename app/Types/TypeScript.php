<?php

declare(strict_types=1);

namespace App\Types;

use LogicException;
use PHPStan\PhpDocParser\Ast\ConstExpr\ConstExprStringNode;
use PHPStan\PhpDocParser\Ast\Type\ArrayShapeItemNode;
use PHPStan\PhpDocParser\Ast\Type\ArrayShapeNode;
use PHPStan\PhpDocParser\Ast\Type\ConstTypeNode;
use PHPStan\PhpDocParser\Ast\Type\GenericTypeNode;
use PHPStan\PhpDocParser\Ast\Type\IdentifierTypeNode;
use PHPStan\PhpDocParser\Ast\Type\NullableTypeNode;
use PHPStan\PhpDocParser\Ast\Type\TypeNode;
use PHPStan\PhpDocParser\Ast\Type\UnionTypeNode;
use PHPStan\PhpDocParser\Lexer\Lexer;
use PHPStan\PhpDocParser\Parser\ConstExprParser;
use PHPStan\PhpDocParser\Parser\PhpDocParser;
use PHPStan\PhpDocParser\Parser\TokenIterator;
use PHPStan\PhpDocParser\Parser\TypeParser;
use PHPStan\PhpDocParser\ParserConfig;
use ReflectionMethod;

/**
 * Translates the documented return type of `toArray` into TypeScript. Static analysis holds that type against the code,
 * so the browser's types cannot drift from what is sent.
 */
final readonly class TypeScript
{
    private const SIMPLE = ['string' => 'string', 'int' => 'number', 'float' => 'number', 'bool' => 'boolean', 'null' => 'null', 'mixed' => 'unknown', 'array-key' => 'string'];

    /** @param  list<class-string>  $classes */
    public function of(array $classes): string
    {
        $types = array_map(function (string $class): string {
            $name = substr((string) strrchr($class, '\\'), 1);

            return "/** {$this->summary($class)} */\nexport type {$name} = {$this->node($this->returned($class), 0)};\n";
        }, $classes);

        return "// Written by `php artisan types:write`. Change the PHP classes, not this file.\n\n".implode("\n", $types);
    }

    /** @param  class-string  $class */
    private function summary(string $class): string
    {
        preg_match('#/\*\*\s*\*?\s*(.+?)(?:\s*\*/|\n\s*\*\s*\n|\n\s*\*\s*@)#s', (string) (new \ReflectionClass($class))->getDocComment(), $part);

        return trim((string) preg_replace('/\s*\n\s*\*\s*/', ' ', $part[1] ?? $class));
    }

    /** @param  class-string  $class */
    private function returned(string $class): TypeNode
    {
        $config = new ParserConfig([]);
        $constants = new ConstExprParser($config);
        $parser = new PhpDocParser($config, new TypeParser($config, $constants), $constants);
        $doc = (string) (new ReflectionMethod($class, 'toArray'))->getDocComment();
        $tags = $parser->parse(new TokenIterator((new Lexer($config))->tokenize($doc)))->getReturnTagValues();

        return $tags[0]->type ?? throw new LogicException("{$class}::toArray does not document what it returns.");
    }

    private function node(TypeNode $node, int $depth): string
    {
        return match (true) {
            $node instanceof IdentifierTypeNode => self::SIMPLE[$node->name] ?? throw new LogicException("No TypeScript for “{$node->name}”."),
            $node instanceof NullableTypeNode => $this->node($node->type, $depth).' | null',
            $node instanceof UnionTypeNode => implode(' | ', array_map(fn (TypeNode $type): string => $this->node($type, $depth), $node->types)),
            $node instanceof ConstTypeNode && $node->constExpr instanceof ConstExprStringNode => "'{$node->constExpr->value}'",
            $node instanceof ArrayShapeNode => $this->shape($node, $depth),
            $node instanceof GenericTypeNode => $this->generic($node, $depth),
            default => throw new LogicException("No TypeScript for “{$node}”."),
        };
    }

    private function shape(ArrayShapeNode $shape, int $depth): string
    {
        if ($shape->items !== [] && $shape->items[0]->keyName === null) {
            return '['.implode(', ', array_map(fn (ArrayShapeItemNode $item): string => $this->node($item->valueType, $depth), $shape->items)).']';
        }
        $pad = str_repeat('    ', $depth + 1);
        $lines = array_map(fn (ArrayShapeItemNode $item): string => $pad.trim((string) $item->keyName, "'\"").($item->optional ? '?' : '').': '.$this->node($item->valueType, $depth + 1).';', $shape->items);

        return "{\n".implode("\n", $lines)."\n".str_repeat('    ', $depth).'}';
    }

    private function generic(GenericTypeNode $generic, int $depth): string
    {
        $types = array_map(fn (TypeNode $type): string => $this->node($type, $depth), $generic->genericTypes);
        if ((string) $generic->type === 'list') {
            return str_contains($types[0], '|') ? "({$types[0]})[]" : "{$types[0]}[]";
        }

        return count($types) === 2 ? "Record<{$types[0]}, {$types[1]}>" : "Record<string, {$types[0]}>";
    }
}
