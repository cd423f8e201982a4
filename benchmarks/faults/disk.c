/* A disk that is full or slow when it is told to be: put before the C library's own functions by LD_PRELOAD.
 *
 * FAULTS_SWITCH names a file of one letter, read through memory: F makes every write below FAULTS_FOLDER fail as a full
 * disk does, S makes every flush there wait a third of a second, anything else lets all pass. */
#define _GNU_SOURCE
#include <dlfcn.h>
#include <errno.h>
#include <fcntl.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/mman.h>
#include <unistd.h>

static volatile char *told;
static const char *folder;

__attribute__((constructor)) static void begin(void) {
    const char *name = getenv("FAULTS_SWITCH");
    folder = getenv("FAULTS_FOLDER");
    int file = name == NULL ? -1 : open(name, O_RDONLY);
    if (file < 0) return;
    void *place = mmap(NULL, 1, PROT_READ, MAP_SHARED, file, 0);
    told = place == MAP_FAILED ? NULL : place;
    close(file);
}

static int now(char fault, int file) {
    if (told == NULL || folder == NULL || *told != fault) return 0;
    char link[64], path[4096];
    snprintf(link, sizeof link, "/proc/self/fd/%d", file);
    ssize_t size = readlink(link, path, sizeof path - 1);
    if (size < 0) return 0;
    path[size] = 0;
    return strncmp(path, folder, strlen(folder)) == 0;
}

#define FULL(file) if (now('F', file)) { errno = ENOSPC; return -1; }
#define NEXT(type, name, ...) ((type (*)(__VA_ARGS__)) dlsym(RTLD_NEXT, name))

ssize_t write(int file, const void *what, size_t size) { FULL(file) return NEXT(ssize_t, "write", int, const void *, size_t)(file, what, size); }
ssize_t pwrite(int file, const void *what, size_t size, off_t at) { FULL(file) return NEXT(ssize_t, "pwrite", int, const void *, size_t, off_t)(file, what, size, at); }
ssize_t pwrite64(int file, const void *what, size_t size, off64_t at) { FULL(file) return NEXT(ssize_t, "pwrite64", int, const void *, size_t, off64_t)(file, what, size, at); }
int fallocate(int file, int mode, off_t at, off_t size) { FULL(file) return NEXT(int, "fallocate", int, int, off_t, off_t)(file, mode, at, size); }
int fsync(int file) { if (now('S', file)) usleep(333000); return NEXT(int, "fsync", int)(file); }
int fdatasync(int file) { if (now('S', file)) usleep(333000); return NEXT(int, "fdatasync", int)(file); }
