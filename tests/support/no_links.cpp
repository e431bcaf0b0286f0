// SPDX-License-Identifier: GPL-3.0-or-later
// Preloaded into a program, makes every file system one that has neither hard links, nor renaming without replacing, nor locks, as some
// network drives are.
#include <cerrno>

extern "C" {

int link(const char *, const char *)
{
    errno = EPERM;
    return -1;
}

int linkat(int, const char *, int, const char *, int)
{
    errno = EPERM;
    return -1;
}

int renameat2(int, const char *, int, const char *, unsigned)
{
    errno = EINVAL;
    return -1;
}

int flock(int, int)
{
    errno = EOPNOTSUPP;
    return -1;
}
}
