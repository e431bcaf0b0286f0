// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/json.h"

#include "base/input_file.h"
#include "irenic/parameter.h"
#include "irenic/sentence.h"
#include "irenic/text.h"

namespace irenic {

void JsonReader::fail(const char *key) const
{
    if (m_status)
        m_status = Error{ErrorCode::BadParameter, sentence("%1 lacks something or holds what cannot be (%2); nothing was changed.", {m_from, key}), {}};
}

void JsonReader::refuse(const std::string &why) const
{
    if (m_status)
        m_status = Error{ErrorCode::BadParameter, sentence("%1 cannot be used: %2 Nothing was changed.", {m_from, why}), {}};
}

const Json *JsonReader::find(const char *key) const
{
    return has(key) ? &m_json[key] : nullptr;
}

JsonReader JsonReader::object(const char *key) const
{
    static const Json kEmpty = Json::object();
    const Json *found = find(key);
    if (found && found->is_object())
        return {*found, m_from, m_status};
    fail(key);
    return {kEmpty, m_from, m_status};
}

std::vector<JsonReader> JsonReader::array(const char *key) const
{
    std::vector<JsonReader> out;
    const Json *found = find(key);
    if (!found || !found->is_array()) {
        fail(key);
        return out;
    }
    for (const Json &j : *found)
        out.emplace_back(j, m_from, m_status);
    return out;
}

std::string JsonReader::text(const char *key) const
{
    const Json *found = find(key);
    if (found && found->is_string())
        return found->get<std::string>();
    fail(key);
    return {};
}

double JsonReader::number(const char *key, double low, double high) const
{
    const Json *found = find(key);
    if (found && found->is_number() && found->get<double>() >= low && found->get<double>() <= high)
        return found->get<double>();
    fail(key);
    return low;
}

bool JsonReader::boolean(const char *key) const
{
    const Json *found = find(key);
    if (found && found->is_boolean())
        return found->get<bool>();
    fail(key);
    return false;
}

std::vector<std::string> JsonReader::texts(const char *key) const
{
    std::vector<std::string> out;
    for (const JsonReader &r : array(key)) {
        if (r.m_json.is_string())
            out.push_back(r.m_json.get<std::string>());
        else
            fail(key);
    }
    return out;
}

std::vector<double> JsonReader::values() const
{
    std::vector<double> out;
    for (const Json &j : m_json)
        if (j.is_number())
            out.push_back(j.get<double>());
    return m_json.is_array() && out.size() == m_json.size() ? out : std::vector<double>();
}

std::vector<double> JsonReader::numbers(const char *key) const
{
    std::vector<double> out;
    const Json *found = find(key);
    if (found && found->is_array())
        for (const Json &j : *found)
            if (j.is_number())
                out.push_back(j.get<double>());
    if (!found || !found->is_array() || out.size() != found->size()) {
        fail(key);
        out.clear();
    }
    return out;
}

Result<std::string> documentText(const std::filesystem::path &file, const std::string &called)
{
    constexpr uint64_t kMostBytes = 64 << 20;
    Result<std::string> text = readWholeFile(file, kMostBytes);
    if (text)
        return text;
    const bool large = text.error().code == ErrorCode::BadParameter;
    return Error{text.error().code, sentence(large ? visible("The %1 %2 is too large to be what it should be.") : visible("The %1 %2 cannot be read."), {sentence(called.c_str()), textOf(file)}), text.error().userMessage};
}

std::string jsonText(const Json &json, int indent)
{
    return json.dump(indent, ' ', false, Json::error_handler_t::replace);
}

} // namespace irenic
