# Two commands: `make demo` starts the application with sample data, `make test` runs every check.
SHELL := /bin/bash
PYTHON ?= python3.11
BIN := .venv/bin
STAMP := .setup

.PHONY: demo serve test check check-code check-web bench screenshots client clean

demo: $(STAMP)/python $(STAMP)/web
	$(BIN)/lucid-swatch demo

serve: $(STAMP)/python $(STAMP)/web
	$(BIN)/lucid-swatch serve

test: $(STAMP)/dev $(STAMP)/web $(STAMP)/chromium
	$(BIN)/ruff check src tests benchmarks docs
	$(BIN)/ruff format --check src tests benchmarks docs
	$(BIN)/mypy
	cd web && npm run --silent lint && npm run --silent check && npm run --silent test
	cd web && npm run --silent fresh
	$(BIN)/pytest -n 2 --dist loadfile

# What one wants to know while changing something: types, manners, the core and what is kept. Two sides by side.
check: $(STAMP)/dev $(STAMP)/npm
	@$(MAKE) --no-print-directory -j2 check-code check-web

check-code:
	$(BIN)/ruff check src tests benchmarks docs
	$(BIN)/ruff format --check --quiet src tests benchmarks docs
	$(BIN)/mypy
	HYPOTHESIS_PROFILE=quick $(BIN)/pytest -n 2 tests/core tests/formats tests/architecture tests/store

check-web:
	cd web && npm run --silent lint && npm run --silent check && npm run --silent test && npm run --silent fresh

bench: $(STAMP)/dev $(STAMP)/web $(STAMP)/chromium
	$(BIN)/python -m benchmarks

# The typed browser client, from the API's own description.
client: $(STAMP)/dev
	$(BIN)/lucid-swatch openapi > docs/openapi.json
	cd web && npm run --silent client

screenshots: $(STAMP)/dev $(STAMP)/web $(STAMP)/chromium
	$(BIN)/python docs/take_screenshots.py

$(STAMP)/python: requirements.txt pyproject.toml
	test -x $(BIN)/python || $(PYTHON) -m venv .venv
	$(BIN)/pip install --quiet --disable-pip-version-check --no-deps -r requirements.txt
	$(BIN)/pip install --quiet --disable-pip-version-check --no-deps --no-build-isolation --editable .
	mkdir -p $(STAMP) && touch $@

$(STAMP)/dev: $(STAMP)/python requirements-dev.txt
	$(BIN)/pip install --quiet --disable-pip-version-check --no-deps -r requirements-dev.txt
	touch $@

$(STAMP)/npm: web/package.json web/package-lock.json
	cd web && npm ci --silent --no-audit --no-fund
	mkdir -p $(STAMP) && touch $@

$(STAMP)/web: $(STAMP)/npm $(shell find web/src web/public -type f 2>/dev/null) web/index.html web/vite.config.ts
	cd web && npm run --silent build
	touch $@

$(STAMP)/chromium:
	command -v chromium >/dev/null || { apt-get update -qq && apt-get install -y -qq chromium; }
	mkdir -p $(STAMP) && touch $@

clean:
	rm -rf .venv $(STAMP) web/node_modules src/lucid_swatch/static
