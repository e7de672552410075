<?php

declare(strict_types=1);

// An empty page of the framework that Apalos stands on, session and all: what a page of Apalos is measured against.

use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Route;
use Inertia\Inertia;

require __DIR__.'/../vendor/autoload.php';

final class EmptyFrame extends \Inertia\Middleware
{
    protected $rootView = 'app';
}

Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        using: static fn () => Route::middleware('web')->get('/', static fn () => Inertia::render('lost/Lost', ['status' => 404])),
    )
    ->withMiddleware(static fn (Middleware $middleware): Middleware => $middleware->web(append: [EmptyFrame::class]))
    ->withExceptions(static fn (Exceptions $exceptions): Exceptions => $exceptions)
    ->create()
    ->handleRequest(Request::capture());
