<?php

declare(strict_types=1);

use App\Http\Controllers\ReckonController;
use Illuminate\Support\Facades\Route;

Route::post('/reckon/{verb}', ReckonController::class);
