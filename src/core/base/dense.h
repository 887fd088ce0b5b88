// The library's longer work on matrices, compiled once: its templates for it take seconds in every
// file that names them.
#pragma once

#include <complex>

#include <Eigen/Core>

namespace wl {

/// Roots of a matrix of six rows and, column by column, the vectors to them.
struct Spectrum6 {
    Eigen::Matrix<std::complex<double>, 6, 1> roots;
    Eigen::Matrix<std::complex<double>, 6, 6> vectors;
};

/// The spectrum of a real matrix with finite numbers (QR algorithm, Eigen 3.4 EigenSolver).
Spectrum6 spectrumOf(const Eigen::Matrix<double, 6, 6>& matrix);

/// Its roots alone.
Eigen::Matrix<std::complex<double>, 6, 1> rootsOf(const Eigen::Matrix<double, 6, 6>& matrix);

/// x of a x = b, a regular (LU with row exchange).
Eigen::Matrix<std::complex<double>, 6, 1> solved(
    const Eigen::Matrix<std::complex<double>, 6, 6>& a,
    const Eigen::Matrix<std::complex<double>, 6, 1>& b);

/// x of a x = b, a symmetric and definite, or nearly (LDLT).
Eigen::VectorXd solvedSymmetric(const Eigen::MatrixXd& a, const Eigen::VectorXd& b);

/// Factors of the columns of `terms` that come nearest to `values` (least squares, normal
/// equations: for a few well-scaled columns). `terms` has as many rows as `values`, at least as
/// many as columns.
Eigen::VectorXd leastSquares(const Eigen::MatrixXd& terms, const Eigen::VectorXd& values);

/// The inverse of a regular square matrix (LU with row exchange).
Eigen::MatrixXd inverseOf(const Eigen::MatrixXd& matrix);

/// a b, and a' b.
Eigen::MatrixXd product(const Eigen::MatrixXd& a, const Eigen::MatrixXd& b);
Eigen::MatrixXd turnedProduct(const Eigen::MatrixXd& a, const Eigen::MatrixXd& b);

}  // namespace wl
