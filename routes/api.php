<?php

declare(strict_types=1);

use App\Http\Controllers\ReckonController;
use App\Http\Middleware\FewAtOnce;
use Illuminate\Support\Facades\Route;

Route::post('/reckon/{verb}', ReckonController::class)->middleware(FewAtOnce::class);
