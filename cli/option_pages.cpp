// SPDX-License-Identifier: GPL-3.0-or-later
#include "option_pages.h"

#include "irenic/versions.h"

#include <CLI/CLI.hpp>

#include <cstdio>
#include <cstring>

namespace irenic {

namespace {

const std::vector<const CLI::App *> commandsOf(const CLI::App &app)
{
    return app.get_subcommands([](const CLI::App *) { return true; });
}

std::vector<const CLI::Option *> optionsOf(const CLI::App &app)
{
    std::vector<const CLI::Option *> all;
    for (const CLI::Option *o : app.get_options())
        if (!o->get_group().empty()) // hidden ones have none
            all.push_back(o);
    return all;
}

bool isFlag(const CLI::Option &o)
{
    return o.get_items_expected_max() == 0;
}

std::string troff(const std::string &text)
{
    std::string out;
    for (const char c : text)
        out += c == '\\' ? "\\e" : c == '-' ? "\\-"
                                            : std::string(1, c);
    if (!out.empty() && (out[0] == '.' || out[0] == '\''))
        out = "\\&" + out;
    return out;
}

std::string upper(std::string text)
{
    for (char &c : text)
        c = char(std::toupper(static_cast<unsigned char>(c)));
    return text;
}

/// "-h, --help" or "files..."
std::vector<std::string> namesOf(const CLI::Option &o)
{
    std::vector<std::string> names;
    for (const std::string &s : o.get_snames())
        names.push_back("-" + s);
    for (const std::string &l : o.get_lnames())
        names.push_back("--" + l);
    return names;
}

void describe(const CLI::App &app, std::string &page)
{
    for (const CLI::Option *o : optionsOf(app)) {
        page += ".TP\n";
        std::string line;
        for (const std::string &name : namesOf(*o))
            line += (line.empty() ? "\\fB" : ", \\fB") + troff(name) + "\\fR";
        if (line.empty())
            line = "\\fI" + troff(o->get_name(true)) + "\\fR";
        else if (!isFlag(*o))
            line += " \\fI" + troff(upper(o->get_type_name().empty() ? "value" : o->get_type_name())) + "\\fR";
        page += line + "\n" + troff(o->get_description());
        if (!o->get_default_str().empty() && !isFlag(*o))
            page += " (" + troff(o->get_default_str()) + ")";
        page += "\n";
    }
}

std::string identifier(std::string name)
{
    std::replace(name.begin(), name.end(), '-', '_');
    return name;
}

std::string joined(const std::vector<std::string> &words)
{
    std::string out;
    for (const std::string &w : words)
        out += (out.empty() ? "" : " ") + w;
    return out;
}

std::vector<std::string> allNames(const CLI::App &app)
{
    std::vector<std::string> names;
    for (const CLI::Option *o : optionsOf(app))
        for (const std::string &n : namesOf(*o))
            names.push_back(n);
    return names;
}

std::string bashCompletion(const CLI::App &app)
{
    const std::string name = app.get_name(), function = "_" + identifier(name);
    std::vector<std::string> commands;
    std::string cases;
    for (const CLI::App *c : commandsOf(app)) {
        commands.push_back(c->get_name());
        cases += "    " + c->get_name() + ") words='" + joined(allNames(*c)) + "' ;;\n";
    }
    return "# bash completion for " + name + "\n" + function + "() {\n  local word=${COMP_WORDS[COMP_CWORD]} words='" + joined(allNames(app)) + "' first=''\n"
           + "  [ \"$COMP_CWORD\" -gt 1 ] && first=${COMP_WORDS[1]}\n"
           + (commands.empty() ? std::string() : "  case $first in\n" + cases + "    *) words=\"" + joined(commands) + " $words\" ;;\n  esac\n")
           + "  COMPREPLY=($(compgen -W \"$words\" -- \"$word\"))\n"
           + "  [[ $word == -* ]] || { compopt -o filenames 2>/dev/null; COMPREPLY+=($(compgen -f -- \"$word\")); }\n}\ncomplete -F " + function + " " + name + "\n";
}

std::string quotedForZsh(const std::string &text)
{
    std::string out;
    for (const char c : text)
        out += c == '\'' ? "'\\''" : (c == '[' || c == ']' || c == ':') ? std::string("\\") + c
                                                                        : std::string(1, c);
    return out;
}

std::string zshOptions(const CLI::App &app)
{
    std::string out;
    for (const CLI::Option *o : optionsOf(app))
        for (const std::string &n : namesOf(*o))
            out += " \\\n      '" + n + "[" + quotedForZsh(o->get_description()) + "]" + (isFlag(*o) ? "" : ":value:_files") + "'";
    return out + " '*:file:_files'";
}

std::string zshCompletion(const CLI::App &app)
{
    const std::string name = app.get_name();
    std::string out = "#compdef " + name + "\n";
    const auto commands = commandsOf(app);
    if (commands.empty())
        return out + "_arguments" + zshOptions(app) + "\n";
    out += "local -a commands=(";
    for (const CLI::App *c : commands)
        out += "\n  '" + c->get_name() + ":" + quotedForZsh(c->get_description()) + "'";
    out += ")\nif (( CURRENT == 2 )); then\n  _describe command commands\n  _arguments" + zshOptions(app) + "\nelse\n  case $words[2] in\n";
    for (const CLI::App *c : commands)
        out += "    " + c->get_name() + ") _arguments" + zshOptions(*c) + " ;;\n";
    return out + "    *) _files ;;\n  esac\nfi\n";
}

std::string quotedForFish(const std::string &text)
{
    std::string out;
    for (const char c : text)
        out += c == '\'' || c == '\\' ? std::string("\\") + c : std::string(1, c);
    return out;
}

void fishOptions(const CLI::App &app, const std::string &start, std::string &out)
{
    for (const CLI::Option *o : optionsOf(app)) {
        std::string names;
        for (const std::string &s : o->get_snames())
            names += " -s " + s;
        for (const std::string &l : o->get_lnames())
            names += " -l " + l;
        if (!names.empty())
            out += start + names + (isFlag(*o) ? "" : " -r") + " -d '" + quotedForFish(o->get_description()) + "'\n";
    }
}

std::string fishCompletion(const CLI::App &app)
{
    const std::string start = "complete -c " + app.get_name();
    std::string out = "# fish completion for " + app.get_name() + "\n";
    fishOptions(app, start + (commandsOf(app).empty() ? "" : " -n __fish_use_subcommand"), out);
    for (const CLI::App *c : commandsOf(app)) {
        out += start + " -n __fish_use_subcommand -a " + c->get_name() + " -d '" + quotedForFish(c->get_description()) + "'\n";
        fishOptions(*c, start + " -n '__fish_seen_subcommand_from " + c->get_name() + "'", out);
    }
    return out;
}

} // namespace

std::string manPage(const CLI::App &app, const ProgramPages &pages)
{
    const std::string name = app.get_name();
    std::string page = ".TH " + upper(troff(name)) + " 1 \"\" \"Irenic " + std::string(programVersion()) + "\" \"Irenic\"\n.SH NAME\n" + troff(name) + " \\- " + troff(pages.summary) + "\n.SH SYNOPSIS\n";
    const auto commands = commandsOf(app);
    if (commands.empty())
        page += "\\fB" + troff(name) + "\\fR [\\fIoptions\\fR] [\\fIfiles\\fR...]\n";
    for (const CLI::App *c : commands)
        page += "\\fB" + troff(name + " " + c->get_name()) + "\\fR [\\fIoptions\\fR]\n.br\n";
    page += ".SH DESCRIPTION\n" + troff(app.get_description()) + "\n";
    if (*pages.more)
        page += std::string(pages.more) + "\n";
    page += ".SH OPTIONS\n";
    describe(app, page);
    for (const CLI::App *c : commands) {
        page += ".SH \"" + upper(troff(c->get_name())) + "\"\n" + troff(c->get_description()) + "\n";
        describe(*c, page);
    }
    page += ".SH EXIT STATUS\n.TP\n0\nEverything that was asked for was done.\n.TP\n1\nOf some file it was not: standard error names each and says why; the others were done.\n.TP\n2\nThe arguments make no sense; nothing was done.\n";
    if (*pages.seeAlso)
        page += ".SH SEE ALSO\n" + std::string(pages.seeAlso) + "\n";
    return page;
}

std::string completion(const CLI::App &app, const std::string &shell)
{
    return shell == "bash" ? bashCompletion(app) : shell == "zsh" ? zshCompletion(app)
                                               : shell == "fish"  ? fishCompletion(app)
                                                                  : std::string();
}

int answerPages(const CLI::App &app, const ProgramPages &pages, int argc, char **argv)
{
    if (argc == 2 && std::strcmp(argv[1], "--write-man") == 0) {
        std::fputs(manPage(app, pages).c_str(), stdout);
        return 0;
    }
    if (argc == 3 && std::strcmp(argv[1], "--write-completion") == 0) {
        const std::string script = completion(app, argv[2]);
        std::fputs(script.c_str(), stdout);
        return script.empty() ? 2 : 0;
    }
    return -1;
}

std::string versionText(const std::string &program)
{
    std::string text = program + " " + programVersion() + " (" + buildKind() + ")";
    for (const auto &[library, version] : libraryVersions())
        text += "\n  " + library + " " + version;
    return text;
}

} // namespace irenic
