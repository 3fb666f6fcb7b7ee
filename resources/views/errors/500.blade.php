@extends('errors.layout')
@section('title', 'Something went wrong here')
@section('message', 'It was written down, and nothing of yours is lost. Try again in a moment.')
