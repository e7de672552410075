<?php

declare(strict_types=1);

namespace App\Types;

use LogicException;
use PHPStan\PhpDocParser\Ast\ConstExpr\ConstExprStringNode;
use PHPStan\PhpDocParser\Ast\PhpDoc\PhpDocNode;
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
use ReflectionClass;
use ReflectionMethod;

/**
 * Translates the documented return type of `toArray` into TypeScript. Static analysis holds that type against the code,
 * so the browser's types cannot drift from what is sent.
 */
final readonly class TypeScript
{
    /** What a line of the written file may hold. */
    private const WIDTH = 140;

    private const SIMPLE = [
        'string' => 'string', 'int' => 'number', 'float' => 'number', 'bool' => 'boolean', 'null' => 'null', 'mixed' => 'unknown',
        'array-key' => 'string', 'Phrase' => 'string',
    ];

    /** @param  list<class-string>  $classes */
    public function of(array $classes): string
    {
        $types = array_map(function (string $class): string {
            $shapes = $this->shapes($class);

            return "{$this->doc($class)}\nexport type {$this->short($class)} = {$this->node($this->returned($class), 0, $shapes)};\n";
        }, $classes);

        return "// Written by `php artisan types:write`. Change the PHP classes, not this file.\n\n".implode("\n", $types);
    }

    /** @param  class-string  $class */
    private function doc(string $class): string
    {
        $line = "/** {$this->summary($class)} */";

        return mb_strlen($line) <= self::WIDTH
            ? $line
            : "/**\n * ".str_replace("\n", "\n * ", wordwrap($this->summary($class), self::WIDTH - 3))."\n */";
    }

    /** @param  class-string  $class */
    private function summary(string $class): string
    {
        preg_match(
            '#/\*\*\s*\*?\s*(.+?)(?:\s*\*/|\n\s*\*\s*\n|\n\s*\*\s*@)#s', (string) (new ReflectionClass($class))->getDocComment(), $part,
        );

        return trim((string) preg_replace('/\s*\n\s*\*\s*/', ' ', $part[1] ?? $class));
    }

    private function short(string $class): string
    {
        return ltrim((string) strrchr("\\{$class}", '\\'), '\\');
    }

    /**
     * The shapes a class calls by name: its own (`@phpstan-type`) are written out, those of another (`@phpstan-import-type`)
     * stand as the type of that class.
     *
     * @param  class-string  $class
     * @return array<string, TypeNode|string>
     */
    private function shapes(string $class): array
    {
        $doc = $this->parsed((string) (new ReflectionClass($class))->getDocComment());
        $shapes = [];
        foreach ($doc->getTypeAliasTagValues() as $own) {
            $shapes[$own->alias] = $own->type;
        }
        foreach ($doc->getTypeAliasImportTagValues() as $import) {
            $shapes[$import->importedAs ?? $import->importedAlias] = $this->short((string) $import->importedFrom);
        }

        return $shapes;
    }

    /** @param  class-string  $class */
    private function returned(string $class): TypeNode
    {
        $tags = $this->parsed((string) (new ReflectionMethod($class, 'toArray'))->getDocComment())->getReturnTagValues();

        return $tags[0]->type ?? throw new LogicException("{$class}::toArray does not document what it returns.");
    }

    private function parsed(string $doc): PhpDocNode
    {
        $config = new ParserConfig([]);
        $constants = new ConstExprParser($config);
        $parser = new PhpDocParser($config, new TypeParser($config, $constants), $constants);

        return $parser->parse(new TokenIterator((new Lexer($config))->tokenize($doc === '' ? '/** */' : $doc)));
    }

    /** @param  array<string, TypeNode|string>  $shapes */
    private function node(TypeNode $node, int $depth, array $shapes): string
    {
        return match (true) {
            $node instanceof IdentifierTypeNode => $this->named($node->name, $depth, $shapes),
            $node instanceof NullableTypeNode => $this->node($node->type, $depth, $shapes).' | null',
            $node instanceof UnionTypeNode => implode(
                ' | ', array_map(fn (TypeNode $type): string => $this->node($type, $depth, $shapes), $node->types),
            ),
            $node instanceof ConstTypeNode && $node->constExpr instanceof ConstExprStringNode => "'{$node->constExpr->value}'",
            $node instanceof ArrayShapeNode => $this->shape($node, $depth, $shapes),
            $node instanceof GenericTypeNode => $this->generic($node, $depth, $shapes),
            default => throw new LogicException("No TypeScript for “{$node}”."),
        };
    }

    /** @param  array<string, TypeNode|string>  $shapes */
    private function named(string $name, int $depth, array $shapes): string
    {
        $shape = $shapes[$name] ?? self::SIMPLE[$name] ?? throw new LogicException("No TypeScript for “{$name}”.");

        return is_string($shape) ? $shape : $this->node($shape, $depth, $shapes);
    }

    /** @param  array<string, TypeNode|string>  $shapes */
    private function shape(ArrayShapeNode $shape, int $depth, array $shapes): string
    {
        if ($shape->items !== [] && $shape->items[0]->keyName === null) {
            return '['.implode(
                ', ', array_map(fn (ArrayShapeItemNode $item): string => $this->node($item->valueType, $depth, $shapes), $shape->items),
            ).']';
        }
        $pad = str_repeat('    ', $depth + 1);
        $lines = array_map(
            fn (ArrayShapeItemNode $item): string => $pad.trim(
                (string) $item->keyName, "'\"",
            ).($item->optional ? '?' : '').': '.$this->node(
                $item->valueType, $depth + 1, $shapes,
            ).';',
            $shape->items,
        );

        return "{\n".implode("\n", $lines)."\n".str_repeat('    ', $depth).'}';
    }

    /** @param  array<string, TypeNode|string>  $shapes */
    private function generic(GenericTypeNode $generic, int $depth, array $shapes): string
    {
        $types = array_map(fn (TypeNode $type): string => $this->node($type, $depth, $shapes), $generic->genericTypes);
        if ((string) $generic->type === 'list') {
            return str_contains($types[0], '|') ? "({$types[0]})[]" : "{$types[0]}[]";
        }

        return count($types) === 2 ? "Record<{$types[0]}, {$types[1]}>" : "Record<string, {$types[0]}>";
    }
}
